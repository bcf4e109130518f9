package undoknot.flow;

import static undoknot.flow.Sum.given;
import static undoknot.flow.Term.AREA;
import static undoknot.flow.Term.BOTTLE_ML;
import static undoknot.flow.Term.CONTACT_HEIGHT;
import static undoknot.flow.Term.DEPTH;
import static undoknot.flow.Term.FACE_HEIGHT;
import static undoknot.flow.Term.HANDS;
import static undoknot.flow.Term.LEFT_ML;
import static undoknot.flow.Term.LINES;
import static undoknot.flow.Term.LINE_BORE;
import static undoknot.flow.Term.LINE_LENGTH;
import static undoknot.flow.Term.PORTS;
import static undoknot.flow.Term.PRICE;
import static undoknot.flow.Term.RATE;
import static undoknot.flow.Term.RESIDUE;
import static undoknot.flow.Term.STOCK;
import static undoknot.flow.Term.VOLUME;
import static undoknot.flow.Term.WANTED;
import static undoknot.flow.Term.WANTED_ML;

import java.util.ArrayList;
import java.util.List;

/** Sums of fluid that stands, runs through lines, is mixed and is paid for (handbook 11, 15 and 18). */
final class FluidSums {

    /** Rungs of a soak, minutes: each about four times the one before. */
    private static final List<Integer> RUNGS = List.of(10, 40, 180, 720);

    private static final double MINUTES_PER_HOUR = 60;

    private FluidSums() {}

    static List<Sum> soak(BenchSum.Values v) {
        List<Sum> sums = new ArrayList<>();
        sums.add(Sum.of(Formula.SOAK_MINUTES, Soak.minutes(v.get(DEPTH)), v.given(DEPTH)));
        RUNGS.forEach(minutes ->
                sums.add(Sum.of(Formula.SOAK_DEPTH, Soak.depthMm(minutes), given(Term.MINUTES, minutes))
                        .of(minutes.toString())));
        return sums;
    }

    static Tray trayOf(BenchSum.Values v) {
        return new Tray(v.get(AREA), v.get(FACE_HEIGHT), v.get(CONTACT_HEIGHT));
    }

    static List<Sum> tray(BenchSum.Values v) {
        Tray tray = trayOf(v);
        return List.of(
                Sum.of(Formula.TRAY_LEAST_LEVEL, tray.leastLevelMm(), v.given(FACE_HEIGHT)),
                Sum.of(Formula.TRAY_GREATEST_LEVEL, tray.greatestLevelMm(), v.given(FACE_HEIGHT, CONTACT_HEIGHT)),
                volume(tray, v, tray.leastLevelMm()).of("LEAST"),
                volume(tray, v, tray.greatestLevelMm()).of("GREATEST"));
    }

    private static Sum volume(Tray tray, BenchSum.Values v, double levelMm) {
        return Sum.of(Formula.TRAY_VOLUME, tray.volumeMl(levelMm), v.given(AREA), given(Term.LEVEL, levelMm));
    }

    static List<Sum> line(BenchSum.Values v) {
        SupplyLine line = new SupplyLine(v.get(LINE_BORE), v.get(LINE_LENGTH));
        double rinses = SupplyLine.rinses(v.get(RESIDUE));
        double each = line.rinseMl(v.get(RESIDUE));
        return List.of(
                Sum.of(Formula.LINE_VOLUME, line.volumeMl(), v.given(LINE_BORE, LINE_LENGTH)),
                Sum.of(Formula.RINSES, rinses, v.given(RESIDUE)),
                Sum.of(
                        Formula.RINSE_VOLUME,
                        each * v.get(LINES),
                        given(Term.LINE_ML, line.volumeMl()),
                        given(Term.RINSES, rinses),
                        v.given(LINES)));
    }

    static Mixing mixingOf(BenchSum.Values v) {
        return new Mixing(v.get(STOCK), v.get(WANTED));
    }

    static List<Sum> mix(BenchSum.Values v) {
        Mixing mixing = mixingOf(v);
        double ml = v.get(WANTED_ML);
        return List.of(
                Sum.of(Formula.STOCK_VOLUME, mixing.stockMl(ml), v.given(STOCK, WANTED, WANTED_ML)),
                Sum.of(Formula.WATER_VOLUME, mixing.waterMl(ml), v.given(STOCK, WANTED, WANTED_ML)),
                Sum.of(Formula.WATER_PARTS, mixing.waterParts(), v.given(STOCK, WANTED)),
                Sum.of(Formula.MOST_MIXED, mixing.mostMl(v.get(LEFT_ML)), v.given(LEFT_ML, STOCK, WANTED)));
    }

    static List<Sum> system(BenchSum.Values v) {
        WholeSystem system = new WholeSystem(
                v.get(Term.RESERVOIRS),
                v.get(Term.RESERVOIR_ML),
                v.get(Term.FILLS),
                v.get(Term.LINE_ML),
                v.get(Term.RINSES),
                v.get(Term.CYCLES),
                v.get(Term.DRAW_ML),
                v.get(Term.RESERVE));
        double need = system.needMl();
        return List.of(
                Sum.of(
                        Formula.SYSTEM_NEED,
                        need,
                        v.given(
                                Term.RESERVOIRS,
                                Term.RESERVOIR_ML,
                                Term.FILLS,
                                Term.LINE_ML,
                                Term.RINSES,
                                Term.CYCLES,
                                Term.DRAW_ML,
                                Term.RESERVE)),
                Sum.of(
                        Formula.WASTE_BOTTLES,
                        system.bottles(v.get(Term.WASTE_ML)),
                        given(Term.WANTED_ML, need),
                        v.given(Term.WASTE_ML)));
    }

    static List<Sum> cost(BenchSum.Values v) {
        double fluid = v.get(PRICE) / v.get(BOTTLE_ML) * v.get(VOLUME) * v.get(PORTS);
        double hands = v.get(HANDS) * v.get(RATE) / MINUTES_PER_HOUR;
        return List.of(
                Sum.of(Formula.DOSE_COST, fluid, v.given(PRICE, BOTTLE_ML, VOLUME, PORTS)),
                Sum.of(Formula.HANDS_COST, hands, v.given(HANDS, RATE)),
                Sum.of(Formula.ALL_COST, fluid + hands, given(Term.FLUID_COST, fluid), given(Term.HANDS_COST, hands)));
    }
}
