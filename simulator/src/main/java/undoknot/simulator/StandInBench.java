package undoknot.simulator;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import undoknot.advice.Advice;
import undoknot.advice.Judgement;
import undoknot.advice.Terms;
import undoknot.advice.WorkStyle;
import undoknot.diagnosis.Cause;
import undoknot.diagnosis.NextLook;
import undoknot.diagnosis.Priors;
import undoknot.diagnosis.Ranking;
import undoknot.head.Channel;
import undoknot.head.Family;
import undoknot.nozzle.Acceptance;
import undoknot.nozzle.JobClass;
import undoknot.nozzle.NozzleMap;
import undoknot.observation.Look;
import undoknot.observation.Observation;
import undoknot.observation.Sign;
import undoknot.treatment.Method;
import undoknot.treatment.Stroke;
import undoknot.treatment.Treatment;
import undoknot.treatment.UsualDose;
import undoknot.visit.HeadNow;
import undoknot.visit.Step;
import undoknot.visit.VisitLog;

/** A stand-in head on a bench that does what the tool says: prints checks, looks where it is told to look, treats. */
public final class StandInBench {

    private static final double FIT = 0.9;

    /** After these a board may be wet: the mains stay off for a day. */
    private static final Set<Method> DRIES_FOR_A_DAY =
            EnumSet.of(Method.TRAY_SOAK, Method.BATH, Method.RINSE, Method.STEAM, Method.DRAW_BACK);

    /** Minutes of hands that a printed check takes. */
    private static final int CHECK_MINUTES = 2;

    private final Family family;
    private final StandInHead head;
    private final List<Observation> told = new ArrayList<>();
    private final List<Step> steps = new ArrayList<>();
    private int handsMinutes;
    private double fluidMl;

    public StandInBench(Family family, Fault fault, long seed) {
        this(family, List.of(fault), seed, Noise.USUAL);
    }

    /** A head with several faults at once; the customer tells of each. */
    public StandInBench(Family family, List<Fault> faults, long seed, Noise noise) {
        this.family = family;
        this.head = new StandInHead(family, faults, seed, noise);
        for (Fault fault : faults) {
            StandInCustomer.tells(fault.cause(), family, fault.channel(), seed, noise.untrue()).observations().stream()
                    .filter(o -> told.stream().noneMatch(t -> t.sign() == o.sign()))
                    .forEach(told::add);
        }
    }

    public VisitLog visit() {
        return new VisitLog(family, JobClass.GENERAL, told, steps, HeadNow.READY);
    }

    public StandInHead head() {
        return head;
    }

    /** Minutes of hands so far: work, looks and checks. */
    public int handsMinutes() {
        return handsMinutes;
    }

    /** Fluid used so far, mL. */
    public double fluidMl() {
        return fluidMl;
    }

    /** Whether the head is what it should be: prints to its class, nothing else wrong with it. */
    public boolean isSound() {
        if (!head.isSoundBesides()) {
            return false;
        }
        // A stray in one check is none in the next.
        for (int n = 0; n < 3; n++) {
            NozzleMap map = head.print().truth();
            if (visit().acceptance(map).verdict() == Acceptance.Verdict.MET) {
                return true;
            }
        }
        return false;
    }

    public Judgement judge() {
        return Judgement.of(visit(), Priors.DEFAULT, Terms.DEFAULT);
    }

    public Ranking ranking() {
        return judge().ranking();
    }

    /** A check, or the news that none can be printed. */
    public void check() {
        String id = "check-" + steps.size();
        handsMinutes += CHECK_MINUTES;
        if (head.noCheck().isPresent()) {
            steps.add(new Step.Checked(id, null, null));
            return;
        }
        steps.add(new Step.Checked(id, head.print().truth(), null));
    }

    /** A light cycle of the channels that show gaps, and a check; nothing when no check can be printed. */
    public void cycleAndCheck() {
        if (head.noCheck().isPresent()) {
            return;
        }
        work(Method.CYCLE, affected());
        check();
    }

    public void look(Look look, String channel) {
        int before = (int) visit().looks().stream()
                .filter(o -> look.findings().contains(o.sign()) && java.util.Objects.equals(o.channel(), channel))
                .count();
        handsMinutes += look.minutes();
        Sign finding = before == 0 ? head.look(look, channel) : head.lookAgain(look, channel, before);
        steps.add(new Step.Found(Observation.of(finding, channel)));
        head.seenMeanwhile(look, channel).ifPresent(s -> steps.add(new Step.Found(Observation.of(s, channel))));
    }

    /** Takes the looks that the tool proposes while they are worth it, at most so many. Returns how many were taken. */
    public int lookWhereTold(int atMost) {
        for (int taken = 0; taken < atMost; taken++) {
            NextLook.Proposal best = NextLook.best(judge().looks()).orElse(null);
            if (best == null) {
                return taken;
            }
            look(best.look(), best.channel());
        }
        return atMost;
    }

    private Set<String> affected() {
        Set<String> codes = new LinkedHashSet<>();
        visit().lastMap()
                .ifPresent(map -> map.channels().forEach((code, channel) -> {
                    if (channel.count(undoknot.nozzle.NozzleState.MISSING) > 0) {
                        codes.add(code);
                    }
                }));
        return codes.isEmpty() ? codes() : codes;
    }

    private Set<String> codes() {
        Set<String> codes = new LinkedHashSet<>();
        family.channels().stream().map(Channel::code).forEach(codes::add);
        return codes;
    }

    /** Does what the advice says; false when it says to finish or to stop. */
    public boolean follow(Advice advice) {
        switch (advice.act()) {
            case CHECK -> check();
            case LOOK ->
                look(
                        advice.look(),
                        advice.channels().isEmpty() ? null : advice.channels().get(0));
            case WORK -> work(advice.method(), new LinkedHashSet<>(advice.channels()), advice.style());
            default -> {
                return false;
            }
        }
        return true;
    }

    /** Does some work in its shortest way and logs it. */
    public void work(Method method, Set<String> channels) {
        work(method, channels, null);
    }

    /**
     * Does some work and logs it.
     *
     * @param style how it is advised to be done; null for the next rung of a soak, and a flush that does not stand
     */
    public void work(Method method, Set<String> channels, WorkStyle style) {
        Integer planned = style == null ? null : style.plannedMinutes();
        handsMinutes += method.handsMinutes();
        fluidMl += method.usualMl(channels.size());
        int soaks = planned == null ? rungMinutes(channels) : planned;
        Treatment treatment = treatment(method, channels, soaks, style);
        double minutes = treatment instanceof Treatment.Soak || method == Method.PAD ? soaks : 0;
        if (treatment instanceof Treatment.Flush flush) {
            treatment = pushed(flush, planned == null ? 0 : planned);
        } else {
            head.apply(treatment, minutes, pressureKpa(), FIT);
        }
        steps.add(new Step.Worked("work-" + steps.size(), treatment));
        if (method == Method.ALIGN && head.stripSmeared()) {
            steps.add(new Step.Found(Observation.of(Sign.ALIGN_UNSETTLED)));
        }
        if (DRIES_FOR_A_DAY.contains(method)) {
            head.rest(24);
        } else if (method == Method.REST) {
            head.rest(12);
        }
    }

    /** Fluid left standing in the channels that show gaps, and then so many strokes through each. */
    public void soakAndFlush(double minutes, int strokes) {
        Set<String> channels = affected();
        if (minutes > 0) {
            handsMinutes += Method.PORT_SOAK.handsMinutes();
            fluidMl += Method.PORT_SOAK.usualMl(channels.size());
            head.soak(channels, Treatment.Place.PORT, minutes, 22, FIT);
        }
        for (int n = 0; n < strokes && pressureKpa() > 0; n++) {
            work(Method.FLUSH, channels);
        }
        // One sitting, not as many as there are strokes.
        handsMinutes -= Math.max(0, strokes - 2) * Method.FLUSH.handsMinutes();
    }

    private double pressureKpa() {
        Double limit = family.limits().pushKpa();
        return limit == null ? 0 : 0.85 * limit;
    }

    /** @param soaks how long the first strokes stand before the next, minutes */
    private Treatment pushed(Treatment.Flush flush, int soaks) {
        Set<String> stroked = new LinkedHashSet<>();
        List<Stroke> strokes = flush.strokes().stream()
                .map(s -> {
                    if (!stroked.add(s.channel()) && soaks > 0) {
                        head.soak(Set.of(s.channel()), Treatment.Place.PORT, soaks, flush.temperatureC(), FIT);
                    }
                    StandInHead.Pushed felt = head.flush(
                            s.channel(), s.volumeMl().doubleValue(), pressureKpa(), flush.temperatureC(), FIT);
                    return new Stroke(
                            s.channel(),
                            s.volumeMl(),
                            felt.seconds(),
                            felt.resistance(),
                            felt.effluent(),
                            felt.stream());
                })
                .toList();
        return new Treatment.Flush(strokes, flush.temperatureC());
    }

    private Treatment treatment(Method method, Set<String> channels, int soaks, WorkStyle style) {
        return switch (method) {
            case CYCLE -> new Treatment.Cycle(channels, Treatment.Strength.LIGHT, 1);
            case CYCLE_STRONG -> new Treatment.Cycle(channels, Treatment.Strength.STRONG, 1);
            case FLUSH -> flush(channels, 22, style);
            case WARM -> flush(channels, 45, style);
            case PORT_SOAK, TRAY_SOAK ->
                new Treatment.Soak(
                        method == Method.PORT_SOAK ? Treatment.Place.PORT : Treatment.Place.TRAY,
                        channels,
                        BigDecimal.ONE,
                        soaks);
            case BATH -> new Treatment.Bath(channels, BigDecimal.TEN, 3, 35, 2, 120);
            default -> new Treatment.Handwork(method, channels, BigDecimal.ZERO);
        };
    }

    /** Each soak lasts longer than the one before. */
    private int rungMinutes(Set<String> channels) {
        int soaks = Stream.of(Method.PORT_SOAK, Method.TRAY_SOAK, Method.PAD)
                .mapToInt(m -> visit().times(m, channels))
                .sum();
        return UsualDose.soakLadderMinutes(Treatment.Place.PORT).get(Math.min(3, soaks));
    }

    private static Treatment flush(Set<String> channels, double temperatureC, WorkStyle style) {
        List<Double> doses = style == null
                ? List.of(UsualDose.STROKE_ML, UsualDose.AFTER_SOAK_ML)
                : Stream.of(style.strokeMl(), style.pulses() ? style.strokeMl() : style.afterSoakMl())
                        .filter(java.util.Objects::nonNull)
                        .toList();
        return new Treatment.Flush(
                doses.stream()
                        .flatMap(ml -> channels.stream()
                                .map(code -> new Stroke(
                                        code,
                                        BigDecimal.valueOf(ml),
                                        1,
                                        Treatment.Resistance.FREE,
                                        Treatment.Effluent.INK,
                                        Treatment.Stream.WHOLE)))
                        .toList(),
                temperatureC);
    }

    public Cause leading() {
        return ranking().leading().cause();
    }
}
