package undoknot.simulator;

/** Ways the stand-in's sheets come back as pictures, from the best to the worst a bench meets. */
public enum ScanStyle {
    FLATBED(Scanning.CLEAN),
    OFFICE_SCANNER(Scanning.CLEAN.dpi(240).turned(1.7, false).dirt(60, 4, 0).jpeg(0.75)),
    UPSIDE_DOWN(Scanning.CLEAN.dpi(200).turned(-2.3, true)),
    HAND_HELD_PHOTO(Scanning.CLEAN.dpi(240).turned(2.5, false).photo(0.2)),
    FOLDED_AND_DIRTY(Scanning.CLEAN
            .dpi(240)
            .turned(-1.2, false)
            .paper("#f1e9d4")
            .dirt(260, 14, 1)
            .smeared(5)
            .light(0.25)
            .jpeg(0.7));

    private final Scanning scanning;

    ScanStyle(Scanning scanning) {
        this.scanning = scanning;
    }

    public Scanning scanning() {
        return scanning;
    }
}
