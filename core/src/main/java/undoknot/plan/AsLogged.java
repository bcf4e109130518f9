package undoknot.plan;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import undoknot.advice.Course.Leg;
import undoknot.advice.WorkStyle;
import undoknot.head.Channel;
import undoknot.treatment.Method;
import undoknot.treatment.Seen;
import undoknot.treatment.Stroke;
import undoknot.treatment.Treatment;
import undoknot.treatment.UsualDose;

/** The treatment that a planned attempt would be logged as, so that the same gates judge it. */
final class AsLogged {

    private AsLogged() {}

    static Treatment of(Outlook outlook, Leg leg, Dose dose) {
        WorkStyle style = leg.style();
        Method method = leg.method();
        Set<String> channels = new LinkedHashSet<>(outlook.family().lightFirst(leg.channels()));
        double celsius = dose.temperatureC(style.temperatureC());
        Integer minutes = dose.minutes() == null ? style.plannedMinutes() : dose.minutes();
        return switch (method.kind()) {
            case FLUSH ->
                new Treatment.Flush(method, channels, style.pulses(), strokes(outlook, leg, dose, celsius), celsius);
            case SOAK -> {
                Treatment.Place place = method == Method.PORT_SOAK ? Treatment.Place.PORT : Treatment.Place.TRAY;
                double usual = UsualDose.soakMl(place, place == Treatment.Place.PORT ? 1 : channels.size());
                double each = place == Treatment.Place.PORT ? channels.size() : 1;
                yield new Treatment.Soak(
                        place, channels, millilitres(dose.ml(usual) * each), minutes, dose.temperatureC());
            }
            case BATH ->
                new Treatment.Bath(
                        channels,
                        millilitres(dose.ml(UsualDose.BATH.volumeMl())),
                        UsualDose.BATH.levelMm(),
                        dose.temperatureC(Math.min(
                                UsualDose.BATH.temperatureC(), outlook.limits().heatC())),
                        UsualDose.BATH.bursts(),
                        UsualDose.BATH.burstSeconds());
            case CYCLE -> new Treatment.Cycle(channels, style.strength(), 1);
            case HANDWORK ->
                new Treatment.Handwork(
                        method, channels, millilitres(dose.ml(method.usualMl(1))), dose.temperatureC(), null, minutes);
        };
    }

    private static List<Stroke> strokes(Outlook outlook, Leg leg, Dose dose, double celsius) {
        Method method = leg.method();
        boolean pushed = method.isPush() && outlook.limits().pushKpa() != null;
        double usual = dose.ml(
                leg.style().strokeMl() == null ? method.usualMl(1) : leg.style().strokeMl());
        Double suction = method == Method.DRAW_BACK && outlook.limits().suctionKpa() != null
                ? Double.valueOf(dose.suctionKpa(outlook.limits().suctionKpa()))
                : null;
        List<Stroke> strokes = new ArrayList<>();
        for (String code : outlook.family().lightFirst(leg.channels())) {
            Channel channel = outlook.family().channel(code).orElseThrow();
            List<Double> doses = new ArrayList<>(List.of(dose.ml(code, usual)));
            if (leg.style().afterSoakMl() != null) {
                doses.add(leg.style().afterSoakMl());
            }
            for (double ml : doses) {
                Double seconds = pushed && ml > 0
                        ? Double.valueOf(PlannedStroke.of(
                                        outlook.family(),
                                        channel,
                                        outlook.open().get(code),
                                        ml,
                                        outlook.viscosityPaS(celsius))
                                .in(dose.seconds())
                                .seconds())
                        : null;
                strokes.add(new Stroke(
                        null,
                        null,
                        code,
                        millilitres(ml),
                        seconds,
                        Seen.NOTHING,
                        pushed ? dose.syringe() : null,
                        pushed ? dose.force() : null,
                        suction));
            }
        }
        return strokes;
    }

    private static BigDecimal millilitres(double ml) {
        return BigDecimal.valueOf(ml);
    }
}
