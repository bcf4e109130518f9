package undoknot.flow;

import java.util.Arrays;
import java.util.Optional;

/** Syringes of the bench by nominal volume, with their bores (handbook 18). */
public enum Syringe {
    ML_1(1, 4.7),
    ML_3(3, 8.7),
    ML_5(5, 12.1),
    ML_10(10, 14.5),
    ML_20(20, 19.1),
    ML_30(30, 21.7),
    ML_60(60, 26.7);

    /** How hard a thumb pushes (handbook 18): classes, for no thumb is a gauge. */
    public enum Thumb {
        LIGHT(10),
        FIRM(25),
        HARD(60);

        private final double newton;

        Thumb(double newton) {
            this.newton = newton;
        }

        /** Force, N. */
        public double newton() {
            return newton;
        }
    }

    private final double ml;
    private final double boreMm;

    Syringe(double ml, double boreMm) {
        this.ml = ml;
        this.boreMm = boreMm;
    }

    /** The one of that nominal volume, mL; empty when the bench has none. */
    public static Optional<Syringe> holding(double ml) {
        return Arrays.stream(values()).filter(s -> s.ml == ml).findFirst();
    }

    /** Nominal volume, mL. */
    public double ml() {
        return ml;
    }

    /** Bore of the barrel, mm. */
    public double boreMm() {
        return boreMm;
    }

    private double areaMm2() {
        return Math.PI * boreMm * boreMm / 4;
    }

    /** P = F / (π·D²/4), kPa; newton on square millimetres are megapascal. */
    public double pressureKpa(double newton) {
        return newton / areaMm2() * 1000;
    }

    /** Greatest force that stays within a pressure, N. */
    public double greatestForceN(double limitKpa) {
        return limitKpa / 1000 * areaMm2();
    }
}
