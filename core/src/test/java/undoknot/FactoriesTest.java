package undoknot;

import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.assertj.core.api.ThrowableAssert.ThrowingCallable;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import undoknot.flow.OpenNozzles;
import undoknot.flow.OpenShare;
import undoknot.head.Channel;
import undoknot.head.Construction;
import undoknot.head.Family;
import undoknot.head.Limits;
import undoknot.nozzle.ChannelFeatures;
import undoknot.nozzle.ChannelMap;
import undoknot.nozzle.Comparison;
import undoknot.nozzle.Counts;
import undoknot.nozzle.Movement;
import undoknot.nozzle.NozzleState;
import undoknot.outcome.Cases;
import undoknot.outcome.Odds;
import undoknot.outcome.Worth;
import undoknot.practice.HouseQuestion;
import undoknot.practice.HouseRules;
import undoknot.practice.School;
import undoknot.treatment.Method;
import undoknot.treatment.Stroke;
import undoknot.treatment.Treatment;

/** What a public factory refuses, and that it says which argument and which range. */
class FactoriesTest {

    private static Worth worth(double chance, double value, double cost, Double limit) {
        return new Worth(chance, 0.2, 0.9, value, 0.02, 10, cost, 0, limit);
    }

    private static Stroke stroke(String ml, double seconds) {
        return new Stroke(
                "K",
                new BigDecimal(ml),
                seconds,
                Treatment.Resistance.FREE,
                Treatment.Effluent.TINTED,
                Treatment.Stream.WHOLE);
    }

    private static Family family(int driveGroups, double boreUm) {
        List<Channel> channels = List.of(new Channel("K", "Black", "Black", "A", 100));
        return new Family("X", "X", Construction.DESK_PIEZO, channels, 10, 10, driveGroups, boreUm, 25, List.of());
    }

    private static ChannelMap firing(int nozzles) {
        return ChannelMap.filled(nozzles, NozzleState.FIRING);
    }

    private static Arguments refuses(String says, ThrowingCallable made) {
        return Arguments.of(says, made);
    }

    static Stream<Arguments> wrong() {
        return Stream.of(
                refuses("chance must be 0 to 1", () -> worth(Double.NaN, 100, 10, null)),
                refuses("chance must be 0 to 1", () -> worth(7, 100, 10, null)),
                refuses("value must be 0 or more", () -> worth(0.5, -1, 10, null)),
                refuses("cost must be 0 or more", () -> worth(0.5, 100, Double.POSITIVE_INFINITY, null)),
                refuses("priceLimit must be 0 or more", () -> worth(0.5, 100, 10, Double.NaN)),
                refuses("low must not be above high", () -> new Worth(0.5, 0.9, 0.1, 1, 0, 0, 0, 0, null)),
                refuses("160 and 100 nozzles", () -> Comparison.fates(firing(160), firing(100))),
                refuses("may be negative", () -> new Counts(4, 0, -1, 0, 0, 0, 0, 0, 0)),
                refuses("5 out of 4 read", () -> new Counts(4, 0, 2, 2, 1, 0, 0, 0, 0)),
                refuses("shares must be 0 to 1", () -> new Movement.Thresholds(0.05, 1.2, 0.1, 0.4, 4)),
                refuses("driveGroups must be 1", () -> family(0, 20)),
                refuses("boreUm and plateUm must be above 0", () -> family(4, Double.NaN)),
                refuses("driveGroups must be 1", () -> ChannelFeatures.of(firing(10), 0)),
                refuses("number must be 1 or more", () -> new OpenNozzles(0, 20, 30, 0.001)),
                refuses("viscosityPaS must be above 0", () -> new OpenNozzles(180, 20, 30, Double.NaN)),
                refuses("seconds and nozzles must be above 0", () -> new OpenShare.Stroke(3, 0, 180)),
                refuses(
                        "suctionKpa must be 0 or more",
                        () -> new Treatment.Handwork(Method.DRAW_BACK, Set.of("K"), BigDecimal.ZERO, null, -1.0, null)),
                refuses(
                        "removable",
                        () -> new Limits(
                                40.0, 40.0, Limits.Submerge.NO, Limits.Bath.NO, false, false, 50, null, false)),
                refuses(
                        "pushKpa must be above 0",
                        () -> new Limits(0.0, 40.0, Limits.Submerge.NO, Limits.Bath.NO, false, false, 50)),
                refuses("submerge", () -> new Limits(40.0, 40.0, null, Limits.Bath.NO, false, false, 50)),
                refuses(
                        "heatC must be above 0",
                        () -> new Limits(40.0, 40.0, Limits.Submerge.NO, Limits.Bath.NO, false, false, Double.NaN)),
                refuses("shapes must be above 0", () -> new Odds(0, 1, Cases.NONE, Cases.NONE, Cases.NONE, 0.5)),
                refuses("3 of 2 attempts", () -> new Cases(2, 3)),
                refuses(
                        "PUSH is no answer to DOSE",
                        () -> new HouseRules(Map.of(HouseQuestion.DOSE, School.PushOrDraw.PUSH))),
                refuses("volumeMl must be 0 or more", () -> stroke("-1", 5)),
                refuses("seconds must be 0 or more", () -> stroke("3", Double.NaN)),
                refuses(
                        "does not go by strokes",
                        () -> new Treatment.Flush(Method.WIPE, Set.of(), false, List.of(stroke("3", 5)), 20)),
                refuses(
                        "temperatureC must be a number",
                        () -> new Treatment.Flush(List.of(stroke("3", 5)), Double.POSITIVE_INFINITY)),
                refuses(
                        "plannedMinutes must be 0 or more",
                        () -> new Treatment.Soak(Treatment.Place.PORT, Set.of("K"), BigDecimal.ONE, -1)),
                refuses(
                        "bursts must be 0 or more",
                        () -> new Treatment.Bath(Set.of("K"), BigDecimal.ONE, 3, 30, -1, 120)),
                refuses("strength", () -> new Treatment.Cycle(Set.of("K"), null, 1)),
                refuses(
                        "has a kind of its own",
                        () -> new Treatment.Handwork(Method.FLUSH, Set.of("K"), BigDecimal.ZERO)));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("wrong")
    void says_what_is_wrong(String says, ThrowingCallable made) {
        assertThatThrownBy(made).hasMessageContaining(says);
    }
}
