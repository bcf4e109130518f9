package undoknot.server.view;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import undoknot.head.Family;
import undoknot.server.visit.LoggedVisit;
import undoknot.treatment.DryHold;
import undoknot.treatment.Gate;
import undoknot.treatment.Gates;
import undoknot.treatment.Method;
import undoknot.treatment.Treatment;
import undoknot.treatment.UsualDose;
import undoknot.treatment.Wet;

/**
 * What the forms of work start from, by the rules of core and of the house, so that no screen keeps a rule of its own.
 *
 * @param strokeMl first stroke of a flush
 * @param roomC temperature of a fluid that was not warmed
 * @param kinds how each method is logged
 * @param notForHead methods that the family does not allow, each with the first gate that says so
 * @param benchWork methods that are done on the bench only
 * @param asksDepth methods that ask how deep the head goes into fluid
 * @param holds how long this head is kept from power after each wetting
 */
public record UsualView(
        double strokeMl,
        int strokeSeconds,
        double roomC,
        List<SoakView> soaks,
        UsualDose.Bath bath,
        Map<Method, Treatment.Kind> kinds,
        List<NotForHead> notForHead,
        List<Method> benchWork,
        List<Method> asksDepth,
        List<HoldView> holds) {

    /** @param why the first gate that keeps this family from it */
    public record NotForHead(Method method, Gate.Code why) {}

    /**
     * @param perChannel whether each channel takes that much, or the tray all of it
     * @param ml fluid of one channel, or of the tray
     * @param ladderMinutes rungs, the shortest first
     */
    public record SoakView(Treatment.Place place, boolean perChannel, double ml, List<Integer> ladderMinutes) {}

    public record HoldView(Wet wet, long hours) {}

    static UsualView of(LoggedVisit logged) {
        Family family = logged.family();
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
                        .map(method -> new NotForHead(method, Gates.whyNot(method, family)))
                        .toList(),
                Arrays.stream(Method.values()).filter(Method::isBenchWork).toList(),
                List.of(Method.TRAY_SOAK, Method.BATH),
                Arrays.stream(Wet.values())
                        .map(wet -> new HoldView(
                                wet,
                                DryHold.of(wet, null, family.construction(), logged.house(), false)
                                        .toHours()))
                        .toList());
    }
}
