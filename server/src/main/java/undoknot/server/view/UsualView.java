package undoknot.server.view;

import java.math.BigDecimal;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.lang.Nullable;
import undoknot.advice.SoakRung;
import undoknot.fluid.FluidKind;
import undoknot.head.Channel;
import undoknot.head.Family;
import undoknot.plan.PlannedStroke;
import undoknot.practice.School;
import undoknot.server.practice.HouseBook;
import undoknot.server.visit.KeptPlan;
import undoknot.server.visit.LoggedVisit;
import undoknot.sitting.Asked;
import undoknot.sitting.EndPoint;
import undoknot.sitting.Part;
import undoknot.treatment.DryHold;
import undoknot.treatment.Gate;
import undoknot.treatment.Gates;
import undoknot.treatment.Method;
import undoknot.treatment.Seen;
import undoknot.treatment.Site;
import undoknot.treatment.Treatment;
import undoknot.treatment.UsualDose;
import undoknot.treatment.Wet;
import undoknot.visit.VisitLog;
import undoknot.visit.Waiting;

/**
 * What the forms of work start from, by the rules of core and of the house, so that no screen keeps a rule of its own.
 *
 * @param strokeMl first stroke of a flush
 * @param afterSoakMl stroke that follows once the first has soaked
 * @param pulseMl one pulse, where fluid goes in pulses
 * @param pulsesMl all pulses of a channel together
 * @param pulses whether the house goes in pulses from the start
 * @param soakBetweenMinutes how long the first stroke of a flush stands before the next
 * @param lightFirst all channels, light colours first
 * @param cycleInkMl ink that a cycle of this family usually burns, by strength, where the shop has said
 * @param secondsPerMl time of a stroke by channel, for each mL, within the family's pressure through what is open
 * @param roomC temperature of a fluid that was not warmed
 * @param kinds how each method is logged
 * @param notForHead methods that the family does not allow, each with the first gate that says so
 * @param forms what the form of each method asks
 * @param waits what else may wait, with its usual time
 * @param holds how long this head is kept from power after each wetting
 */
public record UsualView(
        double strokeMl,
        double afterSoakMl,
        double pulseMl,
        double pulsesMl,
        boolean pulses,
        int soakBetweenMinutes,
        List<String> lightFirst,
        Map<Treatment.Strength, BigDecimal> cycleInkMl,
        Map<String, Double> secondsPerMl,
        double roomC,
        List<SoakView> soaks,
        UsualDose.Bath bath,
        Map<Method, Treatment.Kind> kinds,
        List<NotForHead> notForHead,
        Map<Method, FormView> forms,
        List<WaitView> waits,
        List<HoldView> holds) {

    /** @param perChannel whether it goes port by port */
    public record WaitView(Waiting waiting, int minutes, boolean perChannel) {}

    /**
     * What the form of a method asks, so that it asks what the work is about and nothing else.
     *
     * @param bench done on the bench only: the head comes out for it
     * @param either done in the carriage over a pad or on the bench, as somebody says
     * @param power needs the mains
     * @param wholeHead about the whole head or printer: no channel is asked for
     * @param fluids kinds that may be used in it; none when no bottle goes with it
     * @param ownFluid the kind that is its own; absent where a cleaner is taken
     * @param heat asks for the temperature of the fluid
     * @param depth asks how deep the head goes in
     * @param suction asks for the suction at the head
     * @param waits times it is usually given when it waits, minutes; none for work that does not
     * @param byStrokes goes in strokes, port by port, in rounds
     * @param strokeMl usual dose of one stroke; 0 where nothing is drawn from a bottle
     * @param marks what is looked at while fluid goes through
     * @param pulseMarks the same when it goes in pulses
     * @param asks what else it is asked
     * @param parts parts that are done with it
     */
    public record FormView(
            boolean bench,
            boolean either,
            boolean power,
            boolean wholeHead,
            List<FluidKind> fluids,
            @Nullable FluidKind ownFluid,
            boolean heat,
            boolean depth,
            boolean suction,
            List<Integer> waits,
            boolean byStrokes,
            double strokeMl,
            List<Seen.Mark> marks,
            List<Seen.Mark> pulseMarks,
            List<AskView> asks,
            List<PartView> parts) {
        static FormView of(Method method) {
            return new FormView(
                    method.isBenchWork(),
                    method.goesAt(Site.ON_BENCH) && method.leavesPad(Site.IN_CARRIAGE),
                    method.needsPower(),
                    method.isWholeHead(),
                    Arrays.stream(FluidKind.values()).filter(method::takes).toList(),
                    method.ownFluid(),
                    method.asksHeat(),
                    method == Method.TRAY_SOAK || method == Method.BATH,
                    method == Method.DRAW_BACK,
                    UsualDose.waitMinutes(method),
                    method.isByStrokes(),
                    method.usualMl(1),
                    method.isByStrokes() ? EndPoint.of(method, false).marks() : List.of(),
                    method.isByStrokes() ? EndPoint.of(method, true).marks() : List.of(),
                    Asked.of(method).stream()
                            .map(a -> new AskView(a, a.most(), a.isYesNo()))
                            .toList(),
                    Part.of(method).stream()
                            .map(p -> new PartView(p, p.isPerChannel(), p.acts()))
                            .toList());
        }
    }

    /** @param most greatest value that makes sense */
    public record AskView(Asked asked, int most, boolean yesNo) {}

    public record PartView(Part part, boolean perChannel, List<Part.Act> acts) {}

    /** @param why the first gate that keeps this family from it */
    public record NotForHead(Method method, Gate.Code why) {}

    /**
     * @param perChannel whether each channel takes that much, or the tray all of it
     * @param ml fluid of one channel, or of the tray
     * @param ladderMinutes rungs, the shortest first
     */
    public record SoakView(Treatment.Place place, boolean perChannel, double ml, List<Integer> ladderMinutes) {}

    public record HoldView(Wet wet, long hours) {}

    private static Map<String, Double> secondsPerMl(LoggedVisit logged) {
        Family family = logged.family();
        Map<String, Integer> open =
                logged.lastMapped().map(check -> logged.map(check).notMissing()).orElse(Map.of());
        Map<String, Double> seconds = new LinkedHashMap<>();
        family.channels().stream()
                .filter(c -> family.limits().pushKpa() != null && c.takesPush())
                .forEach(c -> seconds.put(c.code(), PlannedStroke.secondsPerMl(family, c, open.get(c.code()))));
        return seconds;
    }

    /** As the plan has it, where somebody changed it; otherwise the next rung. */
    private static int soakBetween(LoggedVisit logged, VisitLog visit) {
        return Optional.ofNullable(logged.plan())
                .flatMap(KeptPlan::soakBetweenMinutes)
                .orElseGet(() -> SoakRung.minutes(Method.FLUSH, visit.affected(), visit));
    }

    static UsualView of(LoggedVisit logged, HouseBook book, VisitLog visit) {
        Family family = logged.family();
        Map<Method, Treatment.Kind> kinds = new EnumMap<>(Method.class);
        Map<Method, FormView> forms = new EnumMap<>(Method.class);
        for (Method method : Method.values()) {
            kinds.put(method, method.kind());
            forms.put(method, FormView.of(method));
        }
        return new UsualView(
                UsualDose.STROKE_ML,
                UsualDose.AFTER_SOAK_ML,
                UsualDose.PULSE_ML,
                UsualDose.PULSES_ML,
                logged.house().says(School.Dose.LONG_PULSING),
                soakBetween(logged, visit),
                family.lightFirst(family.channels().stream().map(Channel::code).toList()),
                book.cycleInk(family),
                secondsPerMl(logged),
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
                forms,
                Arrays.stream(Waiting.values())
                        .filter(w -> w != Waiting.BETWEEN_STROKES)
                        .map(w -> new WaitView(w, w.minutes(), w.perChannel()))
                        .toList(),
                Arrays.stream(Wet.values())
                        .map(wet -> new HoldView(
                                wet,
                                DryHold.of(wet, null, family.construction(), logged.house(), false)
                                        .toHours()))
                        .toList());
    }
}
