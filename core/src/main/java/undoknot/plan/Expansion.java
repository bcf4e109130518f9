package undoknot.plan;

import static undoknot.flow.Sum.given;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import undoknot.advice.Course.Leg;
import undoknot.advice.WorkStyle;
import undoknot.flow.Formula;
import undoknot.flow.Soak;
import undoknot.flow.Sum;
import undoknot.flow.Term;
import undoknot.flow.Tray;
import undoknot.fluid.FluidKind;
import undoknot.head.Channel;
import undoknot.head.Construction;
import undoknot.sitting.Part;
import undoknot.treatment.DryHold;
import undoknot.treatment.Gates;
import undoknot.treatment.Method;
import undoknot.treatment.Site;
import undoknot.treatment.Treatment;
import undoknot.treatment.UsualDose;
import undoknot.treatment.Wet;

/** One attempt in ordered steps with every number: what hands do, with what, how much, how hard, how long (handbook 8). */
final class Expansion {

    private static final double MILLI = 1000;
    private static final double SECONDS_PER_MINUTE = 60;

    /** Pulses that a stubborn channel is planned with; the pad print says when it is enough (handbook 8). */
    private static final int PULSES = 3;

    /** Steam: contact and pause, s, and how often at most (handbook 8). */
    private static final int STEAM_SECONDS = 3;

    private static final int STEAM_PAUSE_SECONDS = 10;
    private static final int STEAM_BURSTS = 10;

    private static final int WARMING_MINUTES = 10;
    private static final int DEGAS_MINUTES = 5;

    /** A vapour pad is wet on both sides, not running, and wetted again every so often (handbook 8). */
    private static final double VAPOUR_ML = 8;

    private static final int RE_WET_MINUTES = 180;

    /** A printer takes so long over a cycle. */
    private static final int CYCLE_MINUTES = 3;

    private final Outlook outlook;
    private final Leg leg;
    private final Dose dose;
    private final WorkStyle style;
    private final Site site;
    private final List<String> ports;
    private final List<PlanStep> steps = new ArrayList<>();

    /** @param dose what somebody changed; nothing when it goes by the rules */
    private Expansion(Outlook outlook, Leg leg, Dose dose) {
        this.outlook = outlook;
        this.leg = leg;
        this.dose = dose;
        this.style = leg.style();
        this.site = leg.method().isBenchWork()
                ? Site.ON_BENCH
                : style == null || style.site() == null ? outlook.site() : style.site();
        this.ports = outlook.family().lightFirst(leg.channels());
    }

    /** What is to be expanded, where the head stands before it. */
    static List<PlanStep> of(Outlook outlook, Leg leg, Dose dose) {
        Expansion expansion = new Expansion(outlook, leg, dose);
        expansion.work();
        return expansion.steps;
    }

    private void work() {
        switch (leg.method()) {
            case FLUSH, WARM -> flush();
            case PURGE -> purge();
            case PRIME -> prime();
            case PORT_SOAK -> portSoak();
            case TRAY_SOAK -> traySoak();
            case RINSE -> rinse();
            case BATH -> bath();
            case STEAM -> steam();
            case DRAW_BACK -> drawBack();
            case PAD -> pad();
            case VAPOUR -> vapour();
            case WIPE -> wipe();
            case DRAW_IN -> {
                atTheCarriage(true);
                add(Doing.DRAW_INK_IN, ports);
                padOut();
            }
            case DAMPER -> {
                atTheCarriage(false);
                add(style != null && style.act() == Part.Act.REPLACED ? Doing.NEW_DAMPER : Doing.PULL_DAMPER, ports);
                add(Doing.POWER_ON, List.of());
            }
            case LINE -> {
                atTheCarriage(false);
                fluid(Doing.FLUSH_LINE, ports, perPort(Method.LINE.usualMl(1)));
                add(Doing.POWER_ON, List.of());
            }
            case SYSTEM -> fluid(Doing.FLUSH_SYSTEM, List.of(), Method.SYSTEM.usualMl(1));
            case CARTRIDGE -> {
                add(Doing.PREPARE, List.of());
                add(Doing.CARTRIDGE, ports);
            }
            case STATION -> handsIn(Doing.CLEAN_STATION, Method.STATION.usualMl(1), 0);
            case UNDERSIDE -> handsIn(Doing.CLEAN_UNDERSIDE, 0, 0);
            case STRIP -> handsIn(Doing.SWAB_STRIP, 0, 0);
            case RESEAT -> handsIn(Doing.CLEAN_CONTACTS, 0, (int) DryHold.EVAPORATES.toMinutes());
            case PARTS -> fluid(Doing.CLEAN_PARTS, List.of(), UsualDose.JAR_ML);
            case CYCLE -> add(Doing.CYCLE, ports, CYCLE_MINUTES);
            case CYCLE_STRONG -> add(Doing.CYCLE_STRONG, ports, CYCLE_MINUTES);
            case CHARGE -> add(Doing.CHARGE, ports, CYCLE_MINUTES);
            case PAGE -> add(Doing.PAGE, ports);
            case REST -> waits(Doing.REST, minutes());
            case ALIGN -> add(Doing.ALIGN, List.of());
        }
    }

    private void flush() {
        toThePort();
        double celsius = dose.temperatureC(style.temperatureC());
        if (celsius > Gates.ROOM_C) {
            add(Doing.WARM_FLUID, List.of(), WARMING_MINUTES, temperature(celsius));
        }
        boolean pulses = style.pulses();
        double first = dose.ml(style.strokeMl());
        strokes(pulses ? Doing.PULSES : Doing.STROKE, first, celsius, pulses ? PULSES : 1);
        if (!pulses && style.afterSoakMl() != null && minutes() > 0) {
            stand(Doing.STAND, minutes());
            strokes(Doing.SECOND_STROKE, style.afterSoakMl(), celsius, 1);
        }
        fromThePort();
    }

    private void purge() {
        add(Doing.PREPARE, List.of());
        if (site == Site.IN_CARRIAGE) {
            add(Doing.MAINS_OFF, List.of());
        }
        strokes(Doing.STROKE, dose.ml(Method.PURGE.usualMl(1)), UsualDose.ROOM_C, 1);
        add(Doing.CARTRIDGE_BACK, ports);
        fromThePort();
    }

    private void prime() {
        toThePort();
        strokes(Doing.STROKE, dose.ml(Method.PRIME.usualMl(1)), UsualDose.ROOM_C, 1);
        fromThePort();
    }

    private void portSoak() {
        toThePort();
        double each = dose.ml(UsualDose.soakMl(Treatment.Place.PORT, 1));
        List<Sum> numbers = new ArrayList<>();
        ports.forEach(code -> numbers.add(Sum.of(Formula.USUAL_DOSE, each).of(code)));
        fluid(Doing.FILL, ports, perPort(each), numbers);
        stand(Doing.STAND, minutes());
        fromThePort();
    }

    private void traySoak() {
        takeOut();
        if (outlook.family().construction() == Construction.THERMAL_OPEN) {
            fluid(Doing.SEALS_IN_JAR, List.of(), UsualDose.JAR_ML);
        }
        double ml = dose.ml(UsualDose.soakMl(Treatment.Place.TRAY, ports.size()));
        fluid(
                Doing.TRAY_IN,
                List.of(),
                ml,
                List.of(
                        Sum.of(Formula.USUAL_DOSE, ml),
                        Sum.of(Formula.TRAY_LEAST_LEVEL, Tray.LEAST_MM, given(Term.FACE_HEIGHT, 0))
                                .of("FACE"),
                        Sum.of(Formula.TRAY_GREATEST_LEVEL, Tray.MOST_MM, given(Term.FACE_HEIGHT, 0))
                                .of("FACE")));
        stand(Doing.STAND, minutes());
        add(Doing.LIFT_OUT, List.of());
        backIn(Wet.BASE_ONLY);
    }

    private void rinse() {
        takeOut();
        add(Doing.RINSE_TURNS, ports);
        add(Doing.LAST_RINSE, List.of());
        backIn(Wet.BODY);
    }

    private void bath() {
        takeOut();
        double ml = dose.ml(UsualDose.BATH.volumeMl());
        // Never warmer than the family bears, unless somebody wants it so: then the gate says it.
        double celsius = dose.temperatureC(
                Math.min(UsualDose.BATH.temperatureC(), outlook.limits().heatC()));
        fluid(
                Doing.BASKET_IN,
                List.of(),
                ml,
                List.of(
                        Sum.of(Formula.USUAL_DOSE, ml),
                        temperature(celsius),
                        Sum.of(Formula.TRAY_GREATEST_LEVEL, UsualDose.BATH.levelMm(), given(Term.FACE_HEIGHT, 0))
                                .of("FACE")));
        waits(Doing.DEGAS, DEGAS_MINUTES);
        int bursts = UsualDose.BATH.bursts();
        int seconds = UsualDose.BATH.burstSeconds();
        step(
                Doing.BURSTS,
                List.of(),
                null,
                0,
                List.of(Sum.of(Formula.USUAL_COUNT, bursts), Sum.of(Formula.USUAL_SECONDS, seconds)),
                bursts * seconds / SECONDS_PER_MINUTE,
                0);
        add(Doing.LIFT_OUT, List.of());
        backIn(Wet.BASE_ONLY);
    }

    private void steam() {
        takeOut();
        step(
                Doing.STEAM_BURSTS,
                List.of(),
                null,
                0,
                List.of(
                        Sum.of(Formula.USUAL_COUNT, STEAM_BURSTS),
                        Sum.of(Formula.USUAL_SECONDS, STEAM_SECONDS),
                        Sum.of(Formula.USUAL_SECONDS, STEAM_PAUSE_SECONDS).of("PAUSE")),
                STEAM_BURSTS * (STEAM_SECONDS + STEAM_PAUSE_SECONDS) / SECONDS_PER_MINUTE,
                0);
        backIn(Wet.BASE_ONLY);
    }

    private void drawBack() {
        takeOut();
        add(Doing.PARTS_OFF, List.of());
        add(Doing.CLEAN_MANIFOLD, List.of());
        add(Doing.WET_PLATE, List.of());
        double each = dose.ml(UsualDose.DRAW_ML);
        Double limit = outlook.limits().suctionKpa();
        List<Sum> numbers = new ArrayList<>();
        leg.channels()
                .forEach(code -> numbers.add(Sum.of(Formula.USUAL_DOSE, each).of(code)));
        if (limit != null) {
            numbers.add(Sum.of(Formula.FAMILY_SUCTION, dose.suctionKpa(limit), given(Term.LIMIT, limit)));
        }
        // Channel by channel, worst first (handbook 8), and so not by lightness.
        fluid(Doing.DRAW, leg.channels(), perPort(each), numbers);
        add(Doing.PARTS_ON, List.of());
        backIn(Wet.BODY);
    }

    private void pad() {
        under(Doing.PAD_IN, dose.ml(Method.PAD.usualMl(1)), minutes());
        padOut();
    }

    private void vapour() {
        under(Doing.PAD_IN, dose.ml(VAPOUR_ML), minutes());
        if (minutes() > RE_WET_MINUTES) {
            step(
                    Doing.RE_WET,
                    List.of(),
                    style.fluid(),
                    0,
                    List.of(Sum.of(Formula.USUAL_COUNT, Math.floor(1.0 * minutes() / RE_WET_MINUTES))),
                    0,
                    0);
        }
        padOut((int) DryHold.EVAPORATES.toMinutes());
    }

    private void under(Doing doing, double ml, int minutes) {
        atTheCarriage(false);
        if (site == Site.IN_CARRIAGE && minutes > Gates.PAD_MINUTES) {
            add(Doing.CARTRIDGES_OFF, ports);
        }
        fluid(doing, List.of(), ml, List.of(Sum.of(Formula.USUAL_DOSE, ml)));
        stand(Doing.STAND, minutes);
    }

    private void wipe() {
        atTheCarriage(false);
        fluid(Doing.WIPE_DAMP, List.of(), Method.WIPE.usualMl(1));
        waits(Doing.PARK, minutes());
        add(Doing.WIPE_DRY, List.of());
        padOut();
    }

    private void handsIn(Doing doing, double ml, int waitMinutes) {
        add(Doing.PREPARE, List.of());
        add(Doing.MAINS_OFF, List.of());
        if (ml > 0) {
            fluid(doing, List.of(), ml);
        } else {
            add(doing, List.of());
        }
        if (waitMinutes > 0) {
            waits(Doing.EVAPORATE, waitMinutes);
        }
        add(Doing.POWER_ON, List.of());
    }

    private int minutes() {
        Integer usual = style == null ? null : style.plannedMinutes();
        return dose.minutes(usual == null ? 0 : usual);
    }

    private void atTheCarriage(boolean pad) {
        add(Doing.PREPARE, List.of());
        if (site == Site.IN_CARRIAGE) {
            add(Doing.MAINS_OFF, List.of());
            add(Doing.FREE_CARRIAGE, List.of());
        }
        if (pad) {
            add(Doing.PROTECT, List.of());
        }
    }

    private void toThePort() {
        if (site == Site.ON_BENCH) {
            takeOut();
            add(Doing.PROTECT, List.of());
        } else {
            atTheCarriage(true);
        }
        add(Doing.FIT_SYRINGE, ports);
    }

    /** Contacts and board are looked at, the head is dry, back in, and the mains are on again. */
    private void fromThePort() {
        if (site == Site.IN_CARRIAGE) {
            padOut();
        } else {
            backIn(leg.method().wets(Site.ON_BENCH));
        }
    }

    private void padOut() {
        padOut(0);
    }

    /** @param airMinutes that covers stay open before there is power: vapour ignites (handbook 8) */
    private void padOut(int airMinutes) {
        boolean inCarriage = site == Site.IN_CARRIAGE;
        if (inCarriage) {
            add(Doing.PAD_OUT, List.of());
            if (leg.method().asksAfterwards()) {
                add(Doing.LOOK_DRY, List.of());
            }
        }
        if (airMinutes > 0) {
            waits(Doing.AIR_COVERS, airMinutes);
        }
        if (inCarriage) {
            add(Doing.POWER_ON, List.of());
        }
    }

    private void takeOut() {
        add(Doing.PREPARE, List.of());
        if (outlook.site() == Site.IN_CARRIAGE) {
            add(Doing.MAINS_OFF, List.of());
            add(Doing.TAKE_OUT, List.of());
        }
    }

    private void backIn(Wet wet) {
        add(Doing.LOOK_DRY, List.of());
        if (wet != null) {
            int minutes = (int) DryHold.of(wet, leg.method(), outlook.family().construction(), outlook.house(), true)
                    .toMinutes();
            waits(Doing.HOLD, minutes);
        }
        add(Doing.REFIT, List.of());
        add(Doing.POWER_ON, List.of());
    }

    private void strokes(Doing doing, double ml, double celsius, int times) {
        if (outlook.limits().pushKpa() == null) {
            return;
        }
        List<Sum> numbers = new ArrayList<>();
        double held = 0;
        double alone = 0;
        double all = 0;
        for (String code : ports) {
            Channel channel = outlook.family().channel(code).orElseThrow();
            // A dose that somebody chose is the first one's; what follows the soak stays small.
            double each = doing == Doing.SECOND_STROKE ? ml : dose.ml(code, ml);
            PlannedStroke stroke = PlannedStroke.of(
                            outlook.family(), channel, outlook.open().get(code), each, outlook.viscosityPaS(celsius))
                    .in(dose.seconds());
            numbers.addAll(stroke.sums(dose.syringe()));
            held += stroke.syringe() == null ? 0 : times * stroke.seconds();
            // A raised reservoir presses without a hand.
            alone += stroke.syringe() == null ? times * stroke.seconds() : 0;
            all += times * each;
        }
        if (times > 1) {
            numbers.add(Sum.of(Formula.USUAL_COUNT, times));
        }
        numbers.add(Sum.of(
                Formula.VISCOSITY,
                outlook.viscosityPaS(celsius) * MILLI,
                given(Term.TEMPERATURE, celsius),
                given(Term.FACTOR, outlook.viscosityFactor())));
        step(
                doing,
                ports,
                style == null ? leg.method().ownFluid() : style.fluid(),
                all,
                numbers,
                held / SECONDS_PER_MINUTE,
                alone / SECONDS_PER_MINUTE);
    }

    private static Sum temperature(double celsius) {
        return Sum.of(Formula.USUAL_TEMPERATURE, celsius);
    }

    /** Fluid stands, and reaches so deep into a wet plug. */
    private void stand(Doing doing, int minutes) {
        step(
                doing,
                List.of(),
                null,
                0,
                List.of(
                        Sum.of(Formula.USUAL_MINUTES, minutes, given(Term.STEPS, leg.before())),
                        Sum.of(Formula.SOAK_DEPTH, Soak.depthMm(minutes), given(Term.MINUTES, minutes))),
                0,
                minutes);
    }

    private void waits(Doing doing, int minutes) {
        add(doing, List.of(), minutes, Sum.of(Formula.USUAL_MINUTES, minutes));
    }

    private double perPort(double ml) {
        return ml * ports.size();
    }

    private void fluid(Doing doing, List<String> at, double ml) {
        fluid(doing, at, ml, List.of(Sum.of(Formula.USUAL_DOSE, ml)));
    }

    private void fluid(Doing doing, List<String> at, double ml, List<Sum> numbers) {
        FluidKind kind = style == null || style.fluid() == null ? leg.method().ownFluid() : style.fluid();
        step(doing, at, kind, ml, numbers, 0, 0);
    }

    private void add(Doing doing, List<String> at, Sum... numbers) {
        add(doing, at, 0, numbers);
    }

    private void add(Doing doing, List<String> at, int waitMinutes, Sum... numbers) {
        step(doing, at, null, 0, Arrays.asList(numbers), 0, waitMinutes);
    }

    private void step(
            Doing doing,
            List<String> at,
            FluidKind kind,
            double ml,
            List<Sum> numbers,
            double moreMinutes,
            double waitMinutes) {
        steps.add(Minutes.step(doing, at, null, kind, ml, numbers, moreMinutes, waitMinutes));
    }
}
