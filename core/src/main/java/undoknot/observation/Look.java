package undoknot.observation;

import static undoknot.observation.Look.Finding.finding;
import static undoknot.observation.Sign.*;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import undoknot.head.Construction;

/**
 * The looks of handbook 6, in order of effort and risk. Each finding stands with the share of benches that make it when
 * nothing is wrong there; the first is the usual one. A look that was not taken says nothing: it is not "fine".
 */
public enum Look {
    //            minutes, scope, needs, findings with their usual share
    ERRORS(
            2,
            Scope.HEAD,
            Needs.POWER,
            finding(ERRORS_NONE, 90),
            finding(ERROR_EXPECTED_BACK, 5),
            finding(ERROR_STANDS, 5)),
    INK_AT_ALL(
            2,
            Scope.HEAD,
            Needs.NOTHING,
            finding(MOVES_FREELY, 95),
            finding(CABLE_LOOSE, 3),
            finding(CARRIAGE_STANDS, 2)),
    INK_LEVEL(1, Scope.CHANNEL, Needs.NOTHING, finding(INK_THERE, 92), finding(SPONGE_DRY, 5), finding(VENT_CLOSED, 3)),
    RECOGNITION(
            4,
            Scope.HEAD,
            Needs.POWER,
            finding(RECOGNISED, 94),
            finding(RECOGNISED_ONCE_CLEANED, 3),
            finding(NOT_RECOGNISED, 3)),
    SEAT(3, Scope.CHANNEL, Needs.NOTHING, finding(SEAT_SOUND, 93), finding(SEAT_LEAKS, 7)),
    AIR(2, Scope.CHANNEL, Needs.NOTHING, finding(DAMPER_FULL, 93), finding(DAMPER_EMPTY, 7)),
    DAMPER(5, Scope.CHANNEL, Needs.NOTHING, finding(PULL_FREE, 93), finding(PULL_DRAGS, 5), finding(PULL_BLOCKED, 2)),
    LINE(3, Scope.CHANNEL, Needs.NOTHING, finding(LINE_CLEAR, 94), finding(LINE_SEDIMENT, 6)),
    STATION(2, Scope.HEAD, Needs.NOTHING, finding(STATION_CLEAN, 88), finding(STATION_CRUSTED, 12)),
    UNDERSIDE(3, Scope.HEAD, Needs.NOTHING, finding(UNDERSIDE_CLEAN, 93), finding(UNDERSIDE_FLAKES, 7)),
    WASTE_STORE(1, Scope.HEAD, Needs.NOTHING, finding(WASTE_ROOM, 85), finding(WASTE_FULL, 15)),
    ENCODER(3, Scope.HEAD, Needs.NOTHING, finding(STRIP_CLEAN, 93), finding(STRIP_SMEARED, 7)),
    FACE(
            4,
            Scope.CHANNEL,
            Needs.FACE,
            finding(FACE_CLEAN, 90),
            finding(FACE_DIRTY, 6),
            finding(FACE_MARKED, 2),
            finding(FACE_DAMAGED, 2)),
    DROP_TEST(
            6,
            Scope.CHANNEL,
            Needs.FACE,
            finding(DROPS_THROUGH, 85),
            finding(DROPS_SLOW, 10),
            finding(DROPS_BLOCKED, 5)),
    CONTACTS(5, Scope.HEAD, Needs.NOTHING, finding(CONTACTS_SOUND, 95), finding(CONTACTS_DIRTY, 5)),
    COOL_DOWN(5, Scope.HEAD, Needs.POWER, finding(COOL_NO_CHANGE, 80), finding(COOL_RUNS, 20)),
    /** Pages that show a complaint gone which no nozzle check can show (handbook 14); they come last. */
    PAGE_TO_PLACE(4, Scope.HEAD, Needs.POWER, finding(PAGE_REACHES, 90), finding(PAGE_FAILS, 10)),
    LONG_PRINT(4, Scope.HEAD, Needs.POWER, finding(LONG_PRINT_HELD, 90), finding(LONG_PRINT_STOPPED, 10)),
    CLEAN_PAGE(2, Scope.HEAD, Needs.POWER, finding(PAGE_CLEAN, 90), finding(PAGE_DIRTY, 10));

    public enum Scope {
        HEAD,
        CHANNEL
    }

    /** What must be allowed or reachable. */
    public enum Needs {
        NOTHING,
        /** Mains on: not while a hold runs. */
        POWER,
        /** The face, so the carriage freed or the head out: never with the mains on. */
        FACE
    }

    /** What is taken along. */
    public enum Tool {
        LAMP,
        LOUPE,
        SYRINGE,
        FRESH_PAD,
        CONTACT_SWAB,
        FAN
    }

    /** What a careless look can hurt. */
    public enum Risk {
        NONE,
        HANDS_IN_THE_MACHINE,
        SYRINGE_PRESSURE,
        FACE_TOUCHED
    }

    /**
     * @param sign what the look may find
     * @param share of benches that find it when nothing is wrong there, 0 to 1
     */
    public record Finding(Sign sign, double share) {
        static Finding finding(Sign sign, int percent) {
            return new Finding(sign, percent / 100.0);
        }
    }

    private final int minutes;
    private final Scope scope;
    private final Needs needs;
    private final List<Finding> usual;

    /** @param usual possible findings, the usual one first */
    Look(int minutes, Scope scope, Needs needs, Finding... usual) {
        this.minutes = minutes;
        this.scope = scope;
        this.needs = needs;
        this.usual = List.of(usual);
    }

    /** The look that makes this finding; empty for a sign that no look makes. */
    public static Optional<Look> making(Sign finding) {
        return Arrays.stream(values())
                .filter(look -> look.findings().contains(finding))
                .findFirst();
    }

    /** Whether it goes port by port in order, one note each (handbook 6); recognition is of the head and goes so too. */
    public boolean goesByPort() {
        return scope == Scope.CHANNEL || this == RECOGNITION;
    }

    /** Whether it proves a mend instead of finding a fault: it is printed at the end, and never instead of a look. */
    public boolean isProof() {
        return this == PAGE_TO_PLACE || this == LONG_PRINT || this == CLEAN_PAGE;
    }

    /** Whether it may use fluid out of a bottle. */
    public boolean usesFluid() {
        return switch (this) {
            case RECOGNITION, DAMPER, STATION, UNDERSIDE, ENCODER, DROP_TEST, CONTACTS -> true;
            default -> false;
        };
    }

    /** Minutes of hands; waiting does not count. */
    public int minutes() {
        return minutes;
    }

    public Scope scope() {
        return scope;
    }

    public Needs needs() {
        return needs;
    }

    /** Whether the head must be in its carriage for it. */
    public boolean needsCarriage() {
        return needs == Needs.POWER || this == DROP_TEST;
    }

    public List<Tool> tools() {
        return switch (this) {
            case INK_LEVEL, LINE, STATION, UNDERSIDE -> List.of(Tool.LAMP);
            case RECOGNITION, CONTACTS -> List.of(Tool.CONTACT_SWAB);
            case DAMPER -> List.of(Tool.SYRINGE);
            case FACE -> List.of(Tool.LOUPE);
            case DROP_TEST -> List.of(Tool.FRESH_PAD, Tool.SYRINGE);
            case COOL_DOWN -> List.of(Tool.FAN);
            default -> List.of();
        };
    }

    public Risk risk() {
        return switch (this) {
            case INK_AT_ALL, SEAT, LINE, STATION, UNDERSIDE, ENCODER, CONTACTS -> Risk.HANDS_IN_THE_MACHINE;
            case DAMPER -> Risk.SYRINGE_PRESSURE;
            case FACE, DROP_TEST -> Risk.FACE_TOUCHED;
            default -> Risk.NONE;
        };
    }

    /** Possible findings, the usual one first, each with its share when nothing is wrong. */
    public List<Finding> usual() {
        return usual;
    }

    /** Possible findings, the usual one first. */
    public List<Sign> findings() {
        return usual.stream().map(Finding::sign).toList();
    }

    /** The finding that says nothing is wrong here. */
    public Sign fine() {
        return usual.get(0).sign();
    }

    public boolean fits(Construction construction) {
        return switch (this) {
            case AIR, DAMPER, LINE -> construction.hasDampers();
            // Drops cannot pass a metering valve.
            case DROP_TEST -> construction != Construction.METERED_PIEZO;
            default -> true;
        };
    }

    /** Looks that a finding makes needless until it is mended: they could only tell the same again. */
    public static Set<Look> needless(Sign finding) {
        return switch (finding) {
            case CARRIAGE_STANDS -> EnumSet.complementOf(EnumSet.of(INK_AT_ALL, ERRORS));
            case SPONGE_DRY, VENT_CLOSED -> EnumSet.of(SEAT, AIR, DAMPER, LINE);
            case PULL_BLOCKED -> EnumSet.of(LINE, AIR);
            default -> Set.of();
        };
    }
}
