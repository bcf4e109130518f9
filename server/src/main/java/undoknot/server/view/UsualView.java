package undoknot.server.view;

import java.time.Duration;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import undoknot.bench.DryHold;
import undoknot.head.Family;
import undoknot.treatment.Method;
import undoknot.treatment.Treatment;
import undoknot.treatment.UsualDose;

/**
 * What the forms of work start from, by the rules of core and of the house, so that no screen keeps a rule of its own.
 *
 * @param strokeMl first stroke of a flush
 * @param roomC temperature of a fluid that was not warmed
 * @param kinds how each method is logged
 * @param notForHead methods that the family's limits do not allow
 * @param holds how long this head is kept from power after each wetting
 */
public record UsualView(
        double strokeMl,
        int strokeSeconds,
        double roomC,
        List<SoakView> soaks,
        UsualDose.Bath bath,
        Map<Method, Treatment.Kind> kinds,
        List<Method> notForHead,
        List<HoldView> holds) {

    /**
     * @param perChannel whether each channel takes that much, or the tray all of it
     * @param ml fluid of one channel, or of the tray
     * @param ladderMinutes rungs, the shortest first
     */
    public record SoakView(Treatment.Place place, boolean perChannel, double ml, List<Integer> ladderMinutes) {}

    /** @param hours 0 when no hold is needed */
    public record HoldView(DryHold.Wet wet, long hours) {}

    static UsualView of(Family family, Duration leastHold) {
        Map<Method, Treatment.Kind> kinds = new EnumMap<>(Method.class);
        for (Method method : Method.values()) {
            kinds.put(method, method.kind());
        }
        return new UsualView(
                UsualDose.STROKE_ML,
                UsualDose.STROKE_SECONDS,
                UsualDose.ROOM_C,
                Arrays.stream(Treatment.Place.values())
                        .map(place -> new SoakView(
                                place,
                                UsualDose.soakMl(place, 2) > UsualDose.soakMl(place, 1),
                                UsualDose.soakMl(place, 1),
                                UsualDose.soakLadderMinutes(place)))
                        .toList(),
                UsualDose.BATH,
                kinds,
                Arrays.stream(Method.values())
                        .filter(method -> !method.allowedBy(family))
                        .toList(),
                Arrays.stream(DryHold.Wet.values())
                        .map(wet -> new HoldView(
                                wet,
                                DryHold.of(wet, family.construction(), leastHold)
                                        .toHours()))
                        .toList());
    }
}
