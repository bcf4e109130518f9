package undoknot.diagnosis;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import undoknot.head.Construction;
import undoknot.observation.Contradiction;
import undoknot.observation.Look;
import undoknot.observation.Observation;
import undoknot.observation.Sign;

class NextLookTest {

    private static List<NextLook.Proposal> looks(Construction construction, boolean power, Observation... seen) {
        return NextLook.rank(
                Ranking.of(Priors.DEFAULT, List.of(seen)),
                List.of(seen),
                new NextLook.Possible(construction, List.of("K", "C"), power, true));
    }

    private static List<Look> named(List<NextLook.Proposal> proposals) {
        return proposals.stream().map(NextLook.Proposal::look).toList();
    }

    @Test
    void air_or_supply_is_asked_of_the_damper_in_the_channel_that_wanders() {
        NextLook.Proposal best = NextLook.best(looks(
                        Construction.WIDE_PIEZO,
                        true,
                        Observation.of(Sign.LONG_RUN, "C"),
                        Observation.of(Sign.WANDERS, "C"),
                        Observation.of(Sign.TOLD_STARVES)))
                .orElseThrow();
        assertThat(best.channel()).isEqualTo("C");
        assertThat(List.of(Look.AIR, Look.LINE, Look.DAMPER)).contains(best.look());
        assertThat(List.of(best.separates(), best.from()))
                .containsExactlyInAnyOrder(Cause.AIR, Cause.SUPPLY_RESTRICTED);
    }

    @Test
    void a_look_costs_what_it_takes_of_the_hands() {
        looks(Construction.WIDE_PIEZO, true, Observation.of(Sign.SCATTERED, "K"))
                .forEach(p -> assertThat(p.bitsPerMinute() * p.look().minutes()).isCloseTo(p.bits(), within(1e-12)));
    }

    @Test
    void what_was_looked_at_is_not_proposed_again_but_in_another_channel_it_is() {
        Observation inK = Observation.of(Sign.SCATTERED, "K");
        Observation inC = Observation.of(Sign.SCATTERED, "C");
        List<NextLook.Proposal> left = looks(
                Construction.WIDE_PIEZO,
                true,
                inK,
                inC,
                Observation.of(Sign.DAMPER_FULL, "K"),
                Observation.of(Sign.STATION_CLEAN));
        assertThat(named(left)).doesNotContain(Look.STATION).contains(Look.AIR);
        assertThat(left.stream()
                        .filter(p -> p.look() == Look.AIR)
                        .findFirst()
                        .orElseThrow()
                        .channel())
                .isEqualTo("C");
    }

    @Test
    void nothing_that_needs_the_mains_is_proposed_while_a_hold_runs_or_contacts_are_damp() {
        assertThat(named(looks(Construction.DESK_PIEZO, true))).contains(Look.RECOGNITION, Look.ERRORS);
        assertThat(named(looks(Construction.DESK_PIEZO, false))).doesNotContain(Look.RECOGNITION, Look.ERRORS);
        assertThat(named(looks(Construction.DESK_PIEZO, true, Observation.of(Sign.CONTACTS_DIRTY))))
                .doesNotContain(Look.RECOGNITION, Look.ERRORS);
    }

    @Test
    void a_finding_can_make_looks_needless() {
        assertThat(named(looks(Construction.WIDE_PIEZO, true, Observation.of(Sign.CARRIAGE_STANDS))))
                .containsOnly(Look.ERRORS);
        assertThat(named(looks(Construction.WIDE_PIEZO, true, Observation.of(Sign.SPONGE_DRY, "K"))))
                .doesNotContain(Look.AIR, Look.DAMPER, Look.LINE, Look.SEAT);
    }

    @ParameterizedTest
    @EnumSource(Construction.class)
    void only_looks_that_fit_the_construction(Construction construction) {
        List<Look> proposed = named(looks(construction, true));
        assertThat(proposed).allSatisfy(l -> assertThat(l.fits(construction)).isTrue());
        boolean thermal = construction == Construction.THERMAL_BLADDER || construction == Construction.THERMAL_OPEN;
        assertThat(proposed.contains(Look.DAMPER)).isEqualTo(!thermal);
        assertThat(proposed.contains(Look.DROP_TEST)).isEqualTo(construction != Construction.METERED_PIEZO);
    }

    @Test
    void when_one_cause_is_as_good_as_certain_nothing_is_worth_looking_at() {
        assertThat(NextLook.best(looks(
                        Construction.DESK_PIEZO,
                        true,
                        Observation.of(Sign.GROUP_FILLED, "K"),
                        Observation.of(Sign.UNCHANGED_TWO_ROUNDS, "K"),
                        Observation.of(Sign.FIXED_AFTER_CYCLE, "K"),
                        Observation.of(Sign.TOLD_HALF_PALE),
                        Observation.of(Sign.FACE_CLEAN, "K"))))
                .isEmpty();
    }

    @Test
    void every_finding_belongs_to_one_look_and_the_shares_make_a_whole() {
        List<Sign> all =
                Arrays.stream(Look.values()).flatMap(l -> l.findings().stream()).toList();
        assertThat(all).doesNotHaveDuplicates();
        assertThat(all)
                .containsExactlyInAnyOrderElementsOf(Arrays.stream(Sign.values())
                        .filter(s -> s.kind() == Sign.Kind.FINDING)
                        .toList());
        assertThat(Look.values())
                .allSatisfy(l -> assertThat(l.usual().stream()
                                .mapToDouble(Look.Finding::share)
                                .sum())
                        .isCloseTo(1, within(1e-9)));
    }

    @Test
    void two_findings_that_can_hardly_both_hold_are_named() {
        Observation through = Observation.of(Sign.DROPS_THROUGH, "K");
        Observation stuck = Observation.of(Sign.FLOW_NONE, "K");
        assertThat(Contradiction.in(List.of(stuck, through))).containsExactly(new Contradiction(through, stuck));
        assertThat(Contradiction.in(List.of(through, Observation.of(Sign.FLOW_NONE, "C"))))
                .isEmpty();
        assertThat(Contradiction.in(List.of(Observation.of(Sign.ERRORS_NONE), Observation.of(Sign.NO_CHECK))))
                .hasSize(1);
    }
}
