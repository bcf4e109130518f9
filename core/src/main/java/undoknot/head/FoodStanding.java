package undoknot.head;

/** Whether a head may serve food. A head that ever carried non-food ink never becomes a food head (handbook 11). */
public enum FoodStanding {
    NOT_FOOD,
    FOOD,
    /** Edible ink, but nobody knows whether other ink came first: treated as food, not returned as food-fit. */
    FOOD_UNPROVEN,
    NEVER_FOOD;

    /** What the owner told, or the shop's own record says. */
    public enum Answer {
        YES,
        NO,
        UNKNOWN
    }

    /**
     * @param edibleInk whether a channel carries edible ink
     * @param everNonFood whether the head ever carried ink that is not for food
     */
    public static FoodStanding of(boolean edibleInk, Answer everNonFood) {
        if (!edibleInk) {
            return NOT_FOOD;
        }
        return switch (everNonFood) {
            case YES -> NEVER_FOOD;
            case NO -> FOOD;
            case UNKNOWN -> FOOD_UNPROVEN;
        };
    }

    /** Whether food-safe fluids and tools are called for. */
    public boolean needsFoodCare() {
        return this == FOOD || this == FOOD_UNPROVEN;
    }
}
