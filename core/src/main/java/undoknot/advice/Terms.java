package undoknot.advice;

import java.util.Map;
import java.util.Objects;
import undoknot.fluid.InkChemistry;
import undoknot.outcome.Worth;
import undoknot.practice.HouseRules;

/**
 * What a visit is judged by besides what happened on it.
 *
 * @param worth money, or null when what the head is worth is not known
 * @param food whether the head serves food
 * @param inks ink of each channel by its code, as far as it is known
 */
public record Terms(HouseRules house, Worth worth, boolean food, Map<String, InkChemistry> inks) {

    /** The starting house rules, nothing known of money or ink. */
    public static final Terms DEFAULT = new Terms(HouseRules.DEFAULT, null, false, Map.of());

    public Terms {
        Objects.requireNonNull(house, "house");
        inks = Map.copyOf(inks);
    }

    public Terms with(Worth terms) {
        return new Terms(house, terms, food, inks);
    }
}
