package undoknot.simulator;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import undoknot.advice.Advice;
import undoknot.advice.Advice.Act;
import undoknot.diagnosis.Cause;
import undoknot.head.Family;
import undoknot.head.StarterFamilies;
import undoknot.observation.Look;
import undoknot.observation.Sign;
import undoknot.simulator.Fault.Severity;
import undoknot.visit.Step;

/** The tool at work on stand-in heads: some seeds of what {@code bench/judgement} measures on many. */
class StandInBenchTest {

    private static final int LOOKS = 5;

    private static StandInBench bench(Cause cause, int n) {
        Random random = new Random(31L * n + cause.ordinal());
        Family family = StarterFamilies.ALL.get(n % StarterFamilies.ALL.size());
        String channel =
                family.channels().get(random.nextInt(family.channels().size())).code();
        return new StandInBench(
                family, new Fault(cause, Severity.values()[n % Severity.values().length], channel), random.nextLong());
    }

    @ParameterizedTest
    @EnumSource(Cause.class)
    void the_true_cause_ranks_first_on_most_heads(Cause cause) {
        List<Cause> led = IntStream.range(0, 12)
                .mapToObj(n -> {
                    StandInBench bench = bench(cause, n);
                    bench.check();
                    bench.cycleAndCheck();
                    assertThat(bench.lookWhereTold(LOOKS)).isLessThanOrEqualTo(LOOKS);
                    return bench.leading();
                })
                .toList();
        assertThat(led.stream().filter(cause::equals).count()).as("%s", led).isGreaterThanOrEqualTo(10);
    }

    private static List<Advice> follow(StandInBench bench) {
        List<Advice> given = new ArrayList<>();
        do {
            given.add(bench.judge().advice().first());
        } while (given.size() < 120 && bench.follow(given.get(given.size() - 1)));
        return given;
    }

    static IntStream heads() {
        return IntStream.range(0, 18);
    }

    @ParameterizedTest
    @MethodSource("heads")
    void a_dead_drive_group_ends_the_cleaning_after_two_rounds_and_the_looks(int n) {
        StandInBench bench = bench(Cause.ELECTRICAL, n);
        List<Advice> given = follow(bench);
        assertThat(given.get(given.size() - 1).act()).isEqualTo(Act.STOP_ELECTRICAL);
        List<Sign> found = bench.visit().steps().stream()
                .filter(Step.Found.class::isInstance)
                .map(s -> ((Step.Found) s).observation().sign())
                .toList();
        assertThat(found).anyMatch(s -> Look.STATION.findings().contains(s));
        assertThat(found).anyMatch(s -> Look.FACE.findings().contains(s));
        // Fluid never touched the nozzles.
        assertThat(given).noneMatch(a -> a.method() != null && a.method().fluidUse() != null);
    }

    @ParameterizedTest
    @MethodSource("heads")
    void debris_on_the_face_is_never_written_off_as_electrical(int n) {
        assertThat(follow(bench(Cause.FACE_DEBRIS, n))).noneMatch(a -> a.act() == Act.STOP_ELECTRICAL);
    }

    @Test
    void the_same_head_and_seed_take_the_same_course() {
        assertThat(follow(bench(Cause.AIR, 3))).isEqualTo(follow(bench(Cause.AIR, 3)));
    }

    @Test
    void looking_at_a_stand_in_finds_what_is_there_and_changes_nothing() {
        Family family = StarterFamilies.ALL.get(5);
        StandInHead head = new StandInHead(family, List.of(new Fault(Cause.SUPPLY_RESTRICTED, Severity.FIRM, "S")), 12);
        Sign first = head.look(Look.DAMPER, "S");
        assertThat(first).isIn(Sign.PULL_DRAGS, Sign.PULL_BLOCKED);
        assertThat(head.look(Look.DAMPER, "S")).isEqualTo(first);
        // A look can be misread, but not many are.
        assertThat(family.channels().stream().filter(c -> head.look(Look.DAMPER, c.code()) == Sign.PULL_FREE))
                .hasSizeBetween(6, 7);
    }

    @Test
    void a_drop_test_of_an_unsuitable_ink_shows_residue_on_most_pads_and_never_elsewhere() {
        Family family = StarterFamilies.ALL.get(5);
        int shown = 0;
        for (long seed = 0; seed < 40; seed++) {
            StandInHead gelled =
                    new StandInHead(family, List.of(new Fault(Cause.UNSUITABLE_INK, Severity.FIRM, "C")), seed);
            shown += gelled.seenMeanwhile(Look.DROP_TEST, "C").isPresent() ? 1 : 0;
            assertThat(gelled.seenMeanwhile(Look.STATION, null)).isEmpty();
            assertThat(new StandInHead(family, List.of(new Fault(Cause.DRIED_INK, Severity.FIRM, "C")), seed)
                            .seenMeanwhile(Look.DROP_TEST, "C"))
                    .isEmpty();
        }
        assertThat(shown).isBetween(15, 35);
    }
}
