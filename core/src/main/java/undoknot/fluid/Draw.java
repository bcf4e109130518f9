package undoknot.fluid;

import java.math.BigDecimal;

/**
 * What drawing a volume from a lot comes to.
 *
 * @param askedMl volume asked for, mL
 * @param leftBeforeMl volume in the bottle before, mL
 */
public record Draw(BigDecimal askedMl, BigDecimal leftBeforeMl) {

    public Draw {
        if (askedMl.signum() < 0) {
            throw new IllegalArgumentException("askedMl must not be negative, was " + askedMl);
        }
    }

    public boolean isEnough() {
        return askedMl.compareTo(leftBeforeMl) <= 0;
    }

    /** Volume in the bottle afterwards, mL. */
    public BigDecimal leftAfterMl() {
        if (!isEnough()) {
            throw new IllegalStateException("the lot holds " + leftBeforeMl + " mL, " + askedMl + " mL were asked for");
        }
        return leftBeforeMl.subtract(askedMl);
    }

    public BigDecimal shortByMl() {
        return askedMl.subtract(leftBeforeMl).max(BigDecimal.ZERO);
    }
}
