package undoknot.treatment;

import java.time.LocalDate;
import undoknot.fluid.FluidKind;
import undoknot.fluid.FluidUse;

/**
 * Something that stands in the way of a treatment, as data; what a rule does not speak of is null.
 *
 * @param code which rule
 * @param weight how it stands in the way
 * @param field the entry that it is about
 * @param channel the channel that it is about
 * @param limit the limit that is passed, in the unit of the entry
 * @param entered what was entered, or what it comes to
 * @param fluid kind of fluid it is about
 * @param use what the fluid is not for
 * @param expiredOn last good day of the lot
 */
public record Gate(
        Code code,
        Weight weight,
        String field,
        String channel,
        Double limit,
        Double entered,
        FluidKind fluid,
        FluidUse use,
        LocalDate expiredOn) {

    public enum Weight {
        /** Never done. When it was done all the same, a lead may log that, with what happened. */
        REFUSED,
        /** Only a lead may do it, with a reason. */
        NEEDS_LEAD,
        /** May be departed from with a reason, which is kept. */
        NEEDS_REASON
    }

    /** The rules, in the order of the handbook's sections. */
    public enum Code {
        NO_PUSH(Weight.NEEDS_LEAD),
        NO_SUCTION(Weight.NEEDS_LEAD),
        NO_SUBMERGE(Weight.NEEDS_LEAD),
        NO_RINSE(Weight.NEEDS_LEAD),
        NO_STEAM(Weight.NEEDS_LEAD),
        NO_BATH(Weight.NEEDS_LEAD),
        BATH_LEAD_ONLY(Weight.NEEDS_LEAD),
        NOT_REMOVABLE(Weight.REFUSED),
        REMOVAL_LEAD_ONLY(Weight.NEEDS_LEAD),
        REFIT_FIRST(Weight.REFUSED),
        NO_FITTING(Weight.NEEDS_LEAD),
        TOO_DEEP(Weight.NEEDS_LEAD),
        PUSH_TOO_HARD(Weight.REFUSED),
        PUSH_TOO_FAST(Weight.NEEDS_REASON),
        SUCTION_TOO_HARD(Weight.REFUSED),
        TOO_HOT(Weight.REFUSED),
        BATH_TOO_HOT(Weight.REFUSED),
        PAD_SIPHONS(Weight.NEEDS_REASON),
        TOO_MANY_BURSTS(Weight.NEEDS_REASON),
        BURST_TOO_LONG(Weight.NEEDS_REASON),
        TOO_MANY_CYCLES(Weight.NEEDS_REASON),
        STRONG_ONCE(Weight.NEEDS_REASON),
        FLUID_NOT_FOR_THIS(Weight.REFUSED),
        FLUID_NOT_FOR_FOOD(Weight.REFUSED),
        FLUID_NOT_WARMED(Weight.REFUSED),
        FLUID_CONTESTED(Weight.NEEDS_LEAD),
        LOT_EXPIRED(Weight.NEEDS_REASON),
        /** More than an ink change was worked out to need, its reserve included. */
        OVER_THE_NEED(Weight.NEEDS_LEAD),
        NO_ROOM_IN_WASTE(Weight.NEEDS_REASON),
        HEAD_IN_HOLD(Weight.REFUSED),
        PAD_UNDER_HEAD(Weight.REFUSED),
        CONTACTS_NOT_LOOKED(Weight.REFUSED),
        SPILL_NOT_WIPED(Weight.REFUSED),
        STILL_EVAPORATING(Weight.REFUSED),
        COVERS_NOT_AIRED(Weight.REFUSED),
        CABLE_NOT_BACK(Weight.REFUSED),
        STILL_LAID_IN(Weight.REFUSED),
        NO_POWER_NOW(Weight.NEEDS_LEAD),
        NO_CYCLES_NOW(Weight.NEEDS_REASON),
        NO_STRONG_CYCLES_NOW(Weight.NEEDS_REASON),
        WASTE_NOT_LOOKED(Weight.NEEDS_REASON),
        STATION_NOT_LOOKED(Weight.NEEDS_REASON),
        NO_WIPING_NOW(Weight.NEEDS_REASON),
        FACE_DAMAGED(Weight.NEEDS_LEAD);

        private final Weight weight;

        Code(Weight weight) {
            this.weight = weight;
        }

        Gate at(String field) {
            return in(null, field);
        }

        Gate in(String channel, String field) {
            return new Gate(this, weight, field, channel, null, null, null, null, null);
        }

        Gate in(String channel, String field, double limit, double entered) {
            return new Gate(this, weight, field, channel, limit, entered, null, null, null);
        }

        Gate at(String field, double limit, double entered) {
            return in(null, field, limit, entered);
        }

        Gate at(String field, FluidKind fluid) {
            return at(field, fluid, null);
        }

        Gate at(String field, FluidKind fluid, FluidUse use) {
            return new Gate(this, weight, field, null, null, null, fluid, use, null);
        }

        Gate at(String field, LocalDate expiredOn) {
            return new Gate(this, weight, field, null, null, null, null, null, expiredOn);
        }
    }
}
