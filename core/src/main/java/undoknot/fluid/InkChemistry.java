package undoknot.fluid;

/** Inks (handbook 10). */
public enum InkChemistry {
    DYE(false),
    PIGMENT(false),
    SETTLING_PIGMENT(false),
    DISPERSE(false),
    EDIBLE(true),
    FLUORESCENT(false);

    private final boolean food;

    InkChemistry(boolean food) {
        this.food = food;
    }

    public boolean food() {
        return food;
    }
}
