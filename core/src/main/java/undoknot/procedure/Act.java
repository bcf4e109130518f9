package undoknot.procedure;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import undoknot.outcome.Purpose;

/** What is done, poured or seen on the way, each an entry of its own (handbook 15), in the order in which it comes. */
public enum Act {
    // Whole-system flush.
    STIRRER_OFF(Purpose.SYSTEM_FLUSH),
    /** Good ink put by in a clean vessel; none when nothing is worth saving. */
    INK_SAVED(Purpose.SYSTEM_FLUSH, Asks.VESSEL),
    RESERVOIR_DRY(Purpose.SYSTEM_FLUSH),
    STIRRER_WIPED(Purpose.SYSTEM_FLUSH, Asks.FLUID),
    FILLED(Purpose.SYSTEM_FLUSH, Asks.FLUID),
    /** The line that runs is the return; a guess is a spill. */
    RETURN_FOUND(Purpose.SYSTEM_FLUSH),
    /** Run to waste until it changed from ink to cleaner, or drew air. */
    RAN_CLEAR(Purpose.SYSTEM_FLUSH, Asks.WASTE),
    REFILLED(Purpose.SYSTEM_FLUSH, Asks.FLUID),
    /** A bottle of ink swapped for a capped one of cleaner. */
    SWAPPED(Purpose.SYSTEM_FLUSH, Asks.CHANNEL, Asks.FLUID),
    TOPPED_UP(Purpose.SYSTEM_FLUSH, Asks.FLUID),
    STRONG_CYCLE(Purpose.SYSTEM_FLUSH, Asks.WASTE),
    WASTE_EMPTIED(Purpose.SYSTEM_FLUSH),
    LINES_SEEN(Purpose.SYSTEM_FLUSH, Asks.FINDING),
    WASTE_WASHED(Purpose.SYSTEM_FLUSH),
    NORMAL_CYCLE(Purpose.SYSTEM_FLUSH, Asks.WASTE),
    /** What two normal cycles left in the washed bottle, beside fresh cleaner. */
    COMPARED(Purpose.SYSTEM_FLUSH, Asks.FINDING),
    /** Stored full of cleaner, labelled and dated. */
    STORED(Purpose.SYSTEM_FLUSH, Asks.TEXT),
    /** Saved ink back in its reservoir, settling ink stirred before. */
    INK_BACK(Purpose.SYSTEM_FLUSH, Asks.VESSEL),

    // Ink change.
    CARTRIDGE_OUT(Purpose.INK_CHANGE, Asks.CHANNEL),
    /** Sheet, paper catch and lint-free pad laid in under the head. */
    LAID_IN(Purpose.INK_CHANGE),
    /** A fresh pad under the channel, looked at. */
    PAD_SEEN(Purpose.INK_CHANGE, Asks.CHANNEL, Asks.FINDING),
    /** Everything that was laid in is out again. */
    LAID_OUT(Purpose.INK_CHANGE),
    CARTRIDGE_IN(Purpose.INK_CHANGE, Asks.CHANNEL);

    /** What an entry of it names. */
    public enum Asks {
        CHANNEL,
        /** A bottle and how much of it. */
        FLUID,
        /** How much went to waste. */
        WASTE,
        FINDING,
        /** Which vessel, how much, lot and date of its ink. */
        VESSEL,
        /** What the label says. */
        TEXT
    }

    /** What is seen. */
    public enum Finding {
        CLEAN,
        /** Acceptable (handbook 15). */
        SLIGHT_STAIN,
        STILL_INK,
        SAME_AS_FRESH,
        TINTED,
        NO_COLOUR,
        COLOUR,
        /** Looked at again by blue light, never counted as none. */
        UNSURE
    }

    private final Purpose purpose;
    private final Set<Asks> asks;

    Act(Purpose purpose, Asks... asks) {
        this.purpose = purpose;
        this.asks = EnumSet.noneOf(Asks.class);
        this.asks.addAll(Arrays.asList(asks));
    }

    public Purpose purpose() {
        return purpose;
    }

    public boolean asks(Asks what) {
        return asks.contains(what);
    }

    /** In the order of {@link Asks}. */
    public List<Asks> asks() {
        return List.copyOf(asks);
    }

    /** What can be seen at it, best first; empty where nothing is looked at. */
    public List<Finding> findings() {
        return switch (this) {
            case LINES_SEEN -> List.of(Finding.CLEAN, Finding.SLIGHT_STAIN, Finding.STILL_INK);
            case COMPARED -> List.of(Finding.SAME_AS_FRESH, Finding.TINTED);
            case PAD_SEEN -> List.of(Finding.NO_COLOUR, Finding.COLOUR, Finding.UNSURE);
            default -> List.of();
        };
    }

    /** Whether the printer does it, so that it is logged as a cycle with the gates of one. */
    public boolean isCycle() {
        return this == STRONG_CYCLE || this == NORMAL_CYCLE;
    }
}
