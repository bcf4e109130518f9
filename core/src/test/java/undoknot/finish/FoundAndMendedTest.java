package undoknot.finish;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import undoknot.diagnosis.Cause;
import undoknot.head.StarterFamilies;
import undoknot.nozzle.JobClass;
import undoknot.observation.Look;
import undoknot.observation.Observation;
import undoknot.observation.Sign;
import undoknot.treatment.Method;
import undoknot.treatment.Treatment;
import undoknot.visit.HeadNow;
import undoknot.visit.Step;
import undoknot.visit.VisitLog;

/** Handbook 6 and 7: what each look tells, and what mends it. */
class FoundAndMendedTest {

    /** In magenta where a look goes channel by channel. */
    private static Step step(String name) {
        if (Arrays.stream(Method.values()).anyMatch(m -> m.name().equals(name))) {
            return new Step.Worked(
                    name, new Treatment.Handwork(Method.valueOf(name), Set.of("M", "C"), BigDecimal.ONE));
        }
        Sign sign = Sign.valueOf(name);
        boolean whole = Look.making(sign).orElseThrow().scope() == Look.Scope.HEAD;
        return new Step.Found(Observation.of(sign, whole ? null : "M"));
    }

    private static VisitLog visit(String steps) {
        return new VisitLog(
                StarterFamilies.ALL.get(1),
                JobClass.GENERAL,
                List.of(Observation.of(Sign.TOLD_GAPS_SEVERAL)),
                Arrays.stream(steps.split(" ")).map(FoundAndMendedTest::step).toList(),
                HeadNow.READY);
    }

    @ParameterizedTest
    @CsvSource({
        "STATION_CRUSTED STATION,                               SERVICE_STATION",
        "STATION_CRUSTED STATION STATION_CLEAN,                 SERVICE_STATION",
        "STATION_CRUSTED STATION STATION_CRUSTED STATION,       SERVICE_STATION",
        "UNDERSIDE_FLAKES UNDERSIDE,                            CARRIAGE_DIRT",
        "SPONGE_DRY CARTRIDGE,                                  CARTRIDGE_FAULT",
        "VENT_CLOSED CARTRIDGE,                                 CARTRIDGE_FAULT",
        "SEAT_LEAKS CARTRIDGE,                                  AIR",
        "DAMPER_EMPTY PURGE,                                    AIR",
        "PULL_DRAGS DAMPER,                                     SUPPLY_RESTRICTED",
        "PULL_BLOCKED DAMPER,                                   SUPPLY_RESTRICTED",
        "LINE_SEDIMENT LINE,                                    SUPPLY_RESTRICTED",
        "CONTACTS_DIRTY RESEAT,                                 CONTACTS",
        "NOT_RECOGNISED RESEAT RECOGNISED,                      CONTACTS",
        "STRIP_SMEARED STRIP,                                   ALIGNMENT_ENCODER",
        "FACE_DIRTY WIPE FACE_CLEAN,                            FACE_DEBRIS",
        "SPONGE_DRY CARTRIDGE STATION_CRUSTED STATION,          CARTRIDGE_FAULT SERVICE_STATION",
        // Found and not put right, or back again.
        "STATION_CRUSTED,                                       ",
        "STATION_CRUSTED UNDERSIDE,                             ",
        "STATION_CRUSTED STATION STATION_CRUSTED,               ",
        "NOT_RECOGNISED RESEAT NOT_RECOGNISED,                  ",
        // Nothing was wrong there, or was found so only afterwards.
        "STATION_CLEAN STATION,                                 ",
        "STATION STATION_CRUSTED,                               ",
        // A narrowed channel does not say by what, and a page does not say why.
        "DROPS_BLOCKED RINSE DROPS_THROUGH,                     ",
        "PAGE_DIRTY UNDERSIDE PAGE_CLEAN,                       ",
        // An error that is away after a reseat makes contacts likely, and proves nothing.
        "ERROR_STANDS RESEAT ERRORS_NONE,                       ",
        "ERROR_EXPECTED_BACK RESEAT,                            ",
        "CABLE_LOOSE RESEAT,                                    CONTACTS",
        // A fault that only marks the face is not put right by a wipe.
        "FACE_MARKED WIPE,                                      ",
    })
    void a_cause_is_named_that_a_look_found_and_work_put_right(String steps, String causes) {
        Set<Cause> named = causes == null
                ? Set.of()
                : Arrays.stream(causes.split(" ")).map(Cause::valueOf).collect(Collectors.toSet());
        assertThat(FoundAndMended.of(visit(steps)).keySet()).isEqualTo(named);
    }

    @Test
    void it_is_said_by_what_was_found_last() {
        assertThat(FoundAndMended.of(visit("PULL_BLOCKED PULL_DRAGS DAMPER PULL_FREE")))
                .containsExactlyEntriesOf(
                        Map.of(Cause.SUPPLY_RESTRICTED, List.of(Observation.of(Sign.PULL_DRAGS, "M"))));
    }
}
