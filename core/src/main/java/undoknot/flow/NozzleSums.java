package undoknot.flow;

import static undoknot.flow.Sum.given;
import static undoknot.flow.Term.BORE;
import static undoknot.flow.Term.FACTOR;
import static undoknot.flow.Term.FORCE;
import static undoknot.flow.Term.LIMIT;
import static undoknot.flow.Term.NOZZLES;
import static undoknot.flow.Term.PLATE;
import static undoknot.flow.Term.SECONDS;
import static undoknot.flow.Term.TEMPERATURE;
import static undoknot.flow.Term.VOLUME;

import java.util.ArrayList;
import java.util.List;

/** Sums of fluid that runs through nozzles (handbook 18). */
final class NozzleSums {

    private static final double MILLI = 1000;
    private static final double REFERENCE_C = 20;
    private static final List<Double> SHARES = List.of(1.0, 0.75, 0.5, 0.25, 0.1);
    private static final List<Integer> CELSIUS = List.of(20, 30, 40, 50, 60);

    private NozzleSums() {}

    private static double paS(BenchSum.Values v, double temperatureC) {
        return Viscosity.waterPaS(temperatureC) * v.get(FACTOR);
    }

    private static OpenNozzles nozzles(BenchSum.Values v, double share, double temperatureC) {
        int open = Math.max(1, (int) Math.round(share * v.get(NOZZLES)));
        return new OpenNozzles(open, v.get(BORE), v.get(PLATE), paS(v, temperatureC));
    }

    static List<Sum> sums(BenchSum.Values v) {
        double share = v.get(Term.OPEN_SHARE);
        OpenNozzles open = nozzles(v, share, v.get(TEMPERATURE));
        double limit = v.get(LIMIT);
        double flow = open.flowMlPerS(limit);
        List<Sum> sums = new ArrayList<>();
        sums.add(seconds(v, share));
        sums.add(Sum.of(Formula.FLOW, flow, v.given(LIMIT, NOZZLES, Term.OPEN_SHARE, BORE, PLATE)));
        sums.add(Sum.of(Formula.VISCOUS_PRESSURE, open.viscousKpa(flow), given(Term.FLOW, flow), viscosity(v)));
        sums.add(Sum.of(Formula.JET_PRESSURE, open.jetKpa(flow), given(Term.FLOW, flow), v.given(BORE)));
        SHARES.forEach(s -> sums.add(seconds(v, s).of(String.valueOf(s))));
        return sums;
    }

    private static Sum.Given viscosity(BenchSum.Values v) {
        return given(Term.VISCOSITY, paS(v, v.get(TEMPERATURE)) * MILLI);
    }

    private static Sum seconds(BenchSum.Values v, double share) {
        double least = nozzles(v, share, v.get(TEMPERATURE)).leastSeconds(v.get(VOLUME), v.get(LIMIT));
        return Sum.of(
                Formula.LEAST_SECONDS,
                least,
                v.given(VOLUME),
                v.given(LIMIT),
                v.given(NOZZLES),
                given(Term.OPEN_SHARE, share),
                v.given(BORE),
                v.given(PLATE),
                viscosity(v));
    }

    static List<Sum> heat(BenchSum.Values v) {
        double celsius = v.get(TEMPERATURE);
        List<Sum> sums = new ArrayList<>();
        sums.add(Sum.of(Formula.VISCOSITY, paS(v, celsius) * MILLI, v.given(TEMPERATURE, FACTOR)));
        sums.add(Sum.of(
                Formula.THINNER, Viscosity.waterPaS(REFERENCE_C) / Viscosity.waterPaS(celsius), v.given(TEMPERATURE)));
        sums.add(flowAt(v, celsius));
        CELSIUS.forEach(c -> sums.add(flowAt(v, c).of(String.valueOf(c))));
        return sums;
    }

    private static Sum flowAt(BenchSum.Values v, double celsius) {
        return Sum.of(
                Formula.FLOW,
                nozzles(v, 1, celsius).flowMlPerS(v.get(LIMIT)),
                v.given(LIMIT),
                v.given(NOZZLES),
                v.given(BORE),
                v.given(PLATE),
                given(Term.VISCOSITY, paS(v, celsius) * MILLI));
    }

    static List<Sum> share(BenchSum.Values v) {
        OpenShare share = OpenShare.of(
                new OpenShare.Stroke(v.get(VOLUME), v.get(SECONDS), (int) v.get(NOZZLES)),
                new OpenShare.Stroke(v.get(Term.REFERENCE_VOLUME), v.get(Term.REFERENCE_SECONDS), (int)
                        v.get(Term.REFERENCE_NOZZLES)));
        return shares(
                share,
                v.given(
                        VOLUME,
                        SECONDS,
                        NOZZLES,
                        Term.REFERENCE_VOLUME,
                        Term.REFERENCE_SECONDS,
                        Term.REFERENCE_NOZZLES));
    }

    static List<Sum> shareByForce(BenchSum.Values v) {
        double kpa = Syringe.holding(v.get(Term.SYRINGE)).orElseThrow().pressureKpa(v.get(FORCE));
        OpenNozzles all = nozzles(v, 1, v.get(TEMPERATURE));
        OpenShare share =
                OpenShare.of(new OpenShare.Stroke(v.get(VOLUME), v.get(SECONDS), (int) v.get(NOZZLES)), all, kpa);
        return shares(
                share,
                v.given(VOLUME),
                v.given(SECONDS),
                given(Term.PRESSURE, kpa),
                v.given(NOZZLES),
                v.given(BORE),
                v.given(PLATE),
                viscosity(v));
    }

    private static List<Sum> shares(OpenShare share, Sum.Given... given) {
        return List.of(
                Sum.of(Formula.OPEN_SHARE, share.share(), given),
                Sum.of(Formula.OPEN_SHARE_LOW, share.low(), given),
                Sum.of(Formula.OPEN_SHARE_HIGH, share.high(), given));
    }
}
