package undoknot.ruleout;

import static undoknot.diagnosis.Sign.*;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import undoknot.diagnosis.Sign;
import undoknot.head.Construction;

/**
 * The looks of handbook 6, in order of effort and risk. Each finding stands with the share of benches that make it when
 * nothing is wrong there; the first is the usual one. A look that was not taken says nothing: it is not "fine".
 */
public enum Look {
    //            minutes, scope, needs, findings with their usual share
    ERRORS(2, Scope.HEAD, Needs.POWER, ERRORS_NONE, 90, ERROR_EXPECTED_BACK, 5, ERROR_STANDS, 5),
    INK_AT_ALL(2, Scope.HEAD, Needs.NOTHING, MOVES_FREELY, 95, CABLE_LOOSE, 3, CARRIAGE_STANDS, 2),
    INK_LEVEL(1, Scope.CHANNEL, Needs.NOTHING, INK_THERE, 92, SPONGE_DRY, 5, VENT_CLOSED, 3),
    RECOGNITION(4, Scope.HEAD, Needs.POWER, RECOGNISED, 94, RECOGNISED_ONCE_CLEANED, 3, NOT_RECOGNISED, 3),
    SEAT(3, Scope.CHANNEL, Needs.NOTHING, SEAT_SOUND, 93, SEAT_LEAKS, 7),
    AIR(2, Scope.CHANNEL, Needs.NOTHING, DAMPER_FULL, 93, DAMPER_EMPTY, 7),
    DAMPER(5, Scope.CHANNEL, Needs.NOTHING, PULL_FREE, 93, PULL_DRAGS, 5, PULL_BLOCKED, 2),
    LINE(3, Scope.CHANNEL, Needs.NOTHING, LINE_CLEAR, 94, LINE_SEDIMENT, 6),
    STATION(2, Scope.HEAD, Needs.NOTHING, STATION_CLEAN, 88, STATION_CRUSTED, 12),
    UNDERSIDE(3, Scope.HEAD, Needs.NOTHING, UNDERSIDE_CLEAN, 93, UNDERSIDE_FLAKES, 7),
    WASTE_STORE(1, Scope.HEAD, Needs.NOTHING, WASTE_ROOM, 85, WASTE_FULL, 15),
    ENCODER(3, Scope.HEAD, Needs.NOTHING, STRIP_CLEAN, 93, STRIP_SMEARED, 7),
    FACE(4, Scope.CHANNEL, Needs.FACE, FACE_CLEAN, 92, FACE_DIRTY, 6, FACE_DAMAGED, 2),
    DROP_TEST(6, Scope.CHANNEL, Needs.FACE, DROPS_THROUGH, 85, DROPS_SLOW, 10, DROPS_BLOCKED, 5),
    CONTACTS(5, Scope.HEAD, Needs.NOTHING, CONTACTS_SOUND, 95, CONTACTS_DIRTY, 5),
    COOL_DOWN(5, Scope.HEAD, Needs.POWER, COOL_NO_CHANGE, 80, COOL_RUNS, 20);

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

    /** What a finding makes unsafe until it is mended. */
    public enum Bar {
        CYCLES,
        STRONG_CYCLES,
        WIPING_IN_PLACE,
        PUSHING,
        POWER
    }

    private static final Map<Sign, Set<Bar>> BARS = Map.of(
            ERROR_STANDS, EnumSet.of(Bar.CYCLES),
            CARRIAGE_STANDS, EnumSet.of(Bar.CYCLES),
            SPONGE_DRY, EnumSet.of(Bar.CYCLES),
            PULL_BLOCKED, EnumSet.of(Bar.CYCLES),
            STATION_CRUSTED, EnumSet.of(Bar.CYCLES, Bar.STRONG_CYCLES, Bar.WIPING_IN_PLACE),
            WASTE_FULL, EnumSet.of(Bar.STRONG_CYCLES),
            FACE_DIRTY, EnumSet.of(Bar.WIPING_IN_PLACE),
            FACE_DAMAGED, EnumSet.of(Bar.WIPING_IN_PLACE, Bar.PUSHING),
            CONTACTS_DIRTY, EnumSet.of(Bar.POWER));

    /** Damper and line feed the head from outside; a head that carries its cartridges has neither. */
    private static final Set<Construction> FED_BY_LINES = EnumSet.of(
            Construction.LAMINATED_PIEZO, Construction.DESK_PIEZO, Construction.METERED_PIEZO, Construction.WIDE_PIEZO);

    private final int minutes;
    private final Scope scope;
    private final Needs needs;
    private final Map<Sign, Double> findings = new LinkedHashMap<>();

    /** @param findings sign and percent in turn, the usual one first */
    Look(int minutes, Scope scope, Needs needs, Object... findings) {
        this.minutes = minutes;
        this.scope = scope;
        this.needs = needs;
        for (int i = 0; i < findings.length; i += 2) {
            this.findings.put((Sign) findings[i], (Integer) findings[i + 1] / 100.0);
        }
    }

    /** The look that makes this finding; empty for a sign that no look makes. */
    public static Optional<Look> making(Sign finding) {
        return Arrays.stream(values())
                .filter(look -> look.findings.containsKey(finding))
                .findFirst();
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
    public Map<Sign, Double> usual() {
        return findings;
    }

    public List<Sign> findings() {
        return List.copyOf(findings.keySet());
    }

    /** The finding that says nothing is wrong here. */
    public Sign fine() {
        return findings.keySet().iterator().next();
    }

    public boolean fits(Construction construction) {
        return switch (this) {
            case DAMPER, LINE -> FED_BY_LINES.contains(construction);
            // Drops cannot pass a metering valve.
            case DROP_TEST -> construction != Construction.METERED_PIEZO;
            default -> true;
        };
    }

    public static Set<Bar> bars(Sign finding) {
        return BARS.getOrDefault(finding, Set.of());
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
