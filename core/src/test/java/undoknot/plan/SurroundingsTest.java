package undoknot.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import undoknot.advice.WrittenVisit;
import undoknot.observation.Symptom;
import undoknot.treatment.Method;
import undoknot.treatment.NoPower;
import undoknot.treatment.Site;
import undoknot.treatment.Wet;
import undoknot.visit.HeadNow;
import undoknot.visit.HeadNow.Kept;
import undoknot.visit.HeadNow.Wetting;

/** What ends a soak and what keeps from power comes before anything that needs power (handbook 8, 12 and 14). */
class SurroundingsTest {

    private static final Instant NOW = Instant.parse("2026-03-02T09:00:00Z");

    private static Kept kept(NoPower reason, Integer minutes) {
        return new Kept(reason, NOW.minusSeconds(600), minutes == null ? null : NOW.plus(Duration.ofMinutes(minutes)));
    }

    private static HeadNow head(Site site, List<Wetting> wettings, Kept... kept) {
        return new HeadNow(site, List.of(kept), wettings, null, null);
    }

    private static Wetting soaks(Wet wet, Method by) {
        return new Wetting(wet, by, NOW.minusSeconds(600), null);
    }

    static Stream<Arguments> heads() {
        return Stream.of(
                Arguments.of("ready", HeadNow.READY, List.of()),
                Arguments.of(
                        "in a hold", head(Site.IN_CARRIAGE, List.of(), kept(NoPower.HOLD, 90)), List.of("HOLD 90")),
                Arguments.of(
                        "a pad under it",
                        head(Site.IN_CARRIAGE, List.of(), kept(NoPower.PAD_UNDER_HEAD, null)),
                        List.of("PAD_OUT 0")),
                Arguments.of(
                        "nobody looked, and a pad under it",
                        head(
                                Site.IN_CARRIAGE,
                                List.of(),
                                kept(NoPower.PAD_UNDER_HEAD, null),
                                kept(NoPower.NOT_LOOKED, null)),
                        List.of("PAD_OUT 0", "LOOK_DRY 0")),
                Arguments.of(
                        "spilled", head(Site.IN_CARRIAGE, List.of(), kept(NoPower.SPILL, null)), List.of("LOOK_DRY 0")),
                Arguments.of(
                        "covers open",
                        head(Site.IN_CARRIAGE, List.of(), kept(NoPower.COVERS_OPEN, 12)),
                        List.of("AIR_COVERS 12")),
                Arguments.of(
                        "contacts evaporate, in a hold",
                        head(Site.IN_CARRIAGE, List.of(), kept(NoPower.EVAPORATING, 10), kept(NoPower.HOLD, 600)),
                        List.of("EVAPORATE 10", "HOLD 600")),
                // The base alone is wet: two hours from when it is lifted out.
                Arguments.of(
                        "in a tray",
                        head(Site.ON_BENCH, List.of(soaks(Wet.BASE_ONLY, Method.TRAY_SOAK)), kept(NoPower.HOLD, null)),
                        List.of("LIFT_OUT 0", "HOLD 120")));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("heads")
    void it_comes_first(String name, HeadNow head, List<String> expected) {
        WrittenVisit bench = new WrittenVisit("TARROW-T4")
                .told(10, Symptom.GAPS_SEVERAL)
                .scattered("C", 6, 0)
                .check()
                .head(head);
        Supplies none = new Supplies(List.of(), 40, Map.of(), Map.of(), LocalDate.parse("2026-03-02"));

        Plan plan = Plan.of(bench.visit(), bench.judge(), new Plan.Basis(bench.terms(), none, Chances.STARTING, NOW));

        List<String> first = plan.before().stream()
                .filter(step -> step.doing() != Doing.LOOK && step.doing() != Doing.CHECK)
                .map(step -> step.doing() + " " + Math.round(step.waitMinutes()))
                .toList();
        assertThat(first).as(name).isEqualTo(expected);
    }
}
