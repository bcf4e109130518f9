package undoknot.diagnosis;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import undoknot.observation.Observation;
import undoknot.observation.Sign;

class RankingTest {

    private static final List<String> CODES = List.of("K", "C", "M");

    static LongStream seeds() {
        return LongStream.range(0, 60);
    }

    private static List<Observation> some(Random random) {
        List<Observation> seen = new ArrayList<>();
        IntStream.range(0, 1 + random.nextInt(12)).forEach(i -> seen.add(one(random)));
        return seen;
    }

    private static Observation one(Random random) {
        Sign sign = Sign.values()[random.nextInt(Sign.values().length)];
        return Observation.of(sign, random.nextInt(3) == 0 ? null : CODES.get(random.nextInt(CODES.size())));
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void the_order_in_which_things_were_observed_does_not_matter(long seed) {
        Random random = new Random(seed);
        List<Observation> seen = some(random);
        List<Observation> other = new ArrayList<>(seen);
        Collections.shuffle(other, random);
        Ranking one = Ranking.of(Priors.DEFAULT, seen);
        Ranking two = Ranking.of(Priors.DEFAULT, other);
        assertThat(two.channels().keySet()).isEqualTo(one.channels().keySet());
        for (Cause cause : Cause.values()) {
            assertThat(two.of(cause).probability()).isCloseTo(one.of(cause).probability(), within(1e-12));
            assertThat(two.of(cause).channel()).isEqualTo(one.of(cause).channel());
        }
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void an_observation_never_lowers_a_cause_against_one_that_it_favours_less(long seed) {
        Random random = new Random(seed);
        List<Observation> seen = some(random);
        Observation more = one(random);
        List<Observation> then = new ArrayList<>(seen);
        then.add(more);
        Ranking before = Ranking.of(Priors.DEFAULT, seen);
        Ranking after = Ranking.of(Priors.DEFAULT, then);
        for (String code : before.channels().keySet()) {
            if (more.channel() != null && !more.channel().equals(code) || Ranking.BORDER.contains(more.sign())) {
                continue;
            }
            for (Cause a : ownFacts(more)) {
                for (Cause b : ownFacts(more)) {
                    if (a.showsInNozzles() == b.showsInNozzles()
                            && Likelihoods.weight(more.sign(), a).ratio()
                                    >= Likelihoods.weight(more.sign(), b).ratio()) {
                        double ratio =
                                in(before, code, a).odds() / in(before, code, b).odds();
                        assertThat(in(after, code, a).odds()
                                        / in(after, code, b).odds())
                                .as("%s: %s against %s in %s", more.sign(), a, b, code)
                                .isGreaterThanOrEqualTo(ratio * (1 - 1e-12));
                        if (in(before, code, a).probability()
                                >= in(before, code, b).probability()) {
                            assertThat(in(after, code, a).probability())
                                    .isGreaterThanOrEqualTo(in(after, code, b).probability() - 1e-12);
                        }
                    }
                }
            }
        }
    }

    /** Causes for which a sign stands for itself: of what is one fact the strongest counts, and a dead group needs its border. */
    private static List<Cause> ownFacts(Observation o) {
        return java.util.stream.Stream.of(Cause.values())
                .filter(c ->
                        c != Cause.ELECTRICAL && OneFact.of(new Reason(o, Likelihoods.weight(o.sign(), c)), c) == null)
                .toList();
    }

    private static Ranking.Likely in(Ranking ranking, String code, Cause cause) {
        return ranking.in(code).stream()
                .filter(l -> l.cause() == cause)
                .findFirst()
                .orElseThrow();
    }

    @Test
    void odds_are_prior_odds_times_the_ratios_and_other_causes_take_their_part() {
        Ranking ranking = Ranking.of(Priors.DEFAULT, List.of(Observation.of(Sign.GROUP_FILLED, "K")));
        // 0.06 / 0.94 × 40
        assertThat(ranking.of(Cause.ELECTRICAL).odds()).isCloseTo(2.553191, within(1e-6));
        double others = 0;
        for (Cause cause : Cause.values()) {
            double alone = ranking.of(cause).odds() / (1 + ranking.of(cause).odds());
            others += cause == Cause.ELECTRICAL || !cause.showsInNozzles() ? 0 : alone * alone;
        }
        assertThat(ranking.of(Cause.ELECTRICAL).probability())
                .isCloseTo(2.553191 / (1 + 2.553191 + 12 * others), within(1e-6));
        assertThat(ranking.leading().channel()).isEqualTo("K");
    }

    /** That gaps stayed is one fact, however often it is said, and without a border of drive groups it never passes dried ink. */
    @Test
    void gaps_that_stay_are_one_fact_and_no_dead_group_without_its_border() {
        List<Observation> stayed = List.of(
                Observation.of(Sign.TOLD_NEVER_MOVES),
                Observation.of(Sign.FIXED_AFTER_CYCLE, "K"),
                Observation.of(Sign.FIXED_AFTER_FLUSH, "K"),
                Observation.of(Sign.UNCHANGED_TWO_ROUNDS, "K"),
                Observation.of(Sign.FACE_CLEAN, "K"),
                Observation.of(Sign.FLOW_FREE, "K"));
        Ranking without = Ranking.of(Priors.DEFAULT, stayed);
        assertThat(without.of(Cause.ELECTRICAL).odds())
                .isLessThan(without.of(Cause.DRIED_INK).odds());
        assertThat(without.of(Cause.ELECTRICAL).reasons().stream()
                        .filter(r -> r.observation().sign() != Sign.FACE_CLEAN
                                && r.observation().sign() != Sign.FLOW_FREE))
                .extracting(r -> r.observation().sign())
                .containsExactly(Sign.UNCHANGED_TWO_ROUNDS);
        List<Observation> withBorder = new ArrayList<>(stayed);
        withBorder.add(Observation.of(Sign.GROUP_FILLED, "K"));
        Ranking with = Ranking.of(Priors.DEFAULT, withBorder);
        // 0.06 / 0.94 × 40 (group) × 4 (stayed, once) × 2 (face) × 2 (flow)
        assertThat(with.of(Cause.ELECTRICAL).odds()).isCloseTo(40.851064, within(1e-6));
        assertThat(with.leading().cause()).isEqualTo(Cause.ELECTRICAL);
    }

    /** Smears are no ground against dried ink in a channel with gaps, and gaps none against dirt on the carriage, but once. */
    @Test
    void what_nozzles_do_not_explain_and_what_they_do_are_judged_apart() {
        Ranking both = Ranking.of(
                Priors.DEFAULT,
                List.of(
                        Observation.of(Sign.TOLD_SMEARS),
                        Observation.of(Sign.UNDERSIDE_FLAKES),
                        Observation.of(Sign.IDLE_OVER_MONTH),
                        Observation.of(Sign.SCATTERED, "C"),
                        Observation.of(Sign.FLOW_STIFF, "C")));
        assertThat(both.causes().stream().limit(2).map(Ranking.Likely::cause))
                .containsExactlyInAnyOrder(Cause.DRIED_INK, Cause.CARRIAGE_DIRT);
        assertThat(both.of(Cause.DRIED_INK).probability()).isGreaterThan(0.8);
    }

    @Test
    void what_is_said_twice_counts_once() {
        Observation crust = Observation.of(Sign.STATION_CRUSTED);
        assertThat(Ranking.of(Priors.DEFAULT, List.of(crust, crust))
                        .of(Cause.SERVICE_STATION)
                        .odds())
                .isEqualTo(Ranking.of(Priors.DEFAULT, List.of(crust))
                        .of(Cause.SERVICE_STATION)
                        .odds());
    }

    @Test
    void two_causes_can_hold_at_once_each_in_its_channel() {
        Ranking ranking = Ranking.of(
                Priors.DEFAULT,
                List.of(
                        Observation.of(Sign.SCATTERED, "C"),
                        Observation.of(Sign.FLOW_STIFF, "C"),
                        Observation.of(Sign.DENSE_WITH_DEFLECTED, "M"),
                        Observation.of(Sign.FACE_DIRTY, "M")));
        assertThat(ranking.in("C").get(0).cause()).isEqualTo(Cause.DRIED_INK);
        assertThat(ranking.in("M").get(0).cause()).isEqualTo(Cause.FACE_DEBRIS);
        assertThat(ranking.of(Cause.DRIED_INK).probability()
                        + ranking.of(Cause.FACE_DEBRIS).probability())
                .isGreaterThan(1.2);
    }

    @Test
    void an_ink_that_settles_makes_no_suspect_of_a_channel_in_which_nothing_shows() {
        Ranking ranking = Ranking.of(
                Priors.DEFAULT,
                List.of(
                        Observation.of(Sign.SETTLING_INK, "W"),
                        Observation.of(Sign.DAMPER_FULL, "W"),
                        Observation.of(Sign.LONG_RUN, "M")));
        assertThat(ranking.channels()).containsOnlyKeys("M");
        // Yet it speaks where something does show.
        Ranking shows = Ranking.of(
                Priors.DEFAULT, List.of(Observation.of(Sign.SETTLING_INK, "W"), Observation.of(Sign.PULL_DRAGS, "W")));
        assertThat(shows.of(Cause.SUPPLY_RESTRICTED).reasons()).hasSize(2);
    }

    @Test
    void reasons_stand_weightiest_first_and_say_which_way_they_speak() {
        List<Reason> reasons = Ranking.of(
                        Priors.DEFAULT,
                        List.of(
                                Observation.of(Sign.HOT_DRY),
                                Observation.of(Sign.WANDERS, "C"),
                                Observation.of(Sign.SCATTERED, "C"),
                                Observation.of(Sign.WASTE_FULL)))
                .of(Cause.DRIED_INK)
                .reasons();
        assertThat(reasons.stream().map(r -> r.observation().sign()))
                .containsExactly(Sign.WANDERS, Sign.SCATTERED, Sign.HOT_DRY);
        assertThat(reasons.stream().map(Reason::speaksFor)).containsExactly(false, true, true);
    }

    @Test
    void a_prior_lies_between_nothing_and_certainty() {
        Map<Cause, Double> wrong = new HashMap<>();
        wrong.put(Cause.AIR, 1.0);
        assertThatThrownBy(() -> Priors.DEFAULT.with(wrong)).hasMessageContaining("AIR");
    }
}
