package undoknot.treatment;

import java.util.Map;

/**
 * Something that stands in the way of a treatment, as data.
 *
 * @param code which rule
 * @param weight how it stands in the way
 * @param field the entry that it is about
 * @param facts the numbers and names behind it
 */
public record Gate(Code code, Weight weight, String field, Map<String, String> facts) {

    public enum Weight {
        /** Never done. */
        REFUSED,
        /** Only a lead may do it, with a reason. */
        NEEDS_LEAD,
        /** May be departed from with a reason, which is kept. */
        NEEDS_REASON
    }

    /** The rules, in the order of the handbook's sections. */
    public enum Code {
        NO_PUSH(Weight.NEEDS_LEAD),
        NO_SUBMERGE(Weight.NEEDS_LEAD),
        NO_BATH(Weight.NEEDS_LEAD),
        BATH_LEAD_ONLY(Weight.NEEDS_LEAD),
        TOO_HOT(Weight.REFUSED),
        BATH_TOO_HOT(Weight.REFUSED),
        TOO_MANY_BURSTS(Weight.NEEDS_REASON),
        BURST_TOO_LONG(Weight.NEEDS_REASON),
        TOO_MANY_CYCLES(Weight.NEEDS_REASON),
        FLUID_NOT_FOR_THIS(Weight.REFUSED),
        FLUID_NOT_FOR_FOOD(Weight.REFUSED),
        FLUID_NOT_WARMED(Weight.REFUSED),
        FLUID_CONTESTED(Weight.NEEDS_LEAD),
        LOT_EXPIRED(Weight.NEEDS_REASON),
        HEAD_IN_HOLD(Weight.REFUSED);

        private final Weight weight;

        Code(Weight weight) {
            this.weight = weight;
        }

        Gate at(String field, String... facts) {
            Map<String, String> map = new java.util.LinkedHashMap<>();
            for (int i = 0; i < facts.length; i += 2) {
                map.put(facts[i], facts[i + 1]);
            }
            return new Gate(this, weight, field, map);
        }
    }
}
