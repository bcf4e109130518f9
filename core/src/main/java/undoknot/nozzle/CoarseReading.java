package undoknot.nozzle;

import java.util.Arrays;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * A reading that says one thing a channel instead of one a nozzle (handbook 5). Readings of one kind are compared among
 * themselves only.
 *
 * @param channels what was seen, by channel, in port order; a channel that was not looked at stands with no level
 */
public record CoarseReading(Kind kind, Map<String, Line> channels) {

    /** What such a reading cannot tell. */
    public enum Blind {
        WHICH_NOZZLES,
        FEW_GAPS,
        DEFLECTION,
        SAME_GAP_AS_BEFORE,
        DRIVE_GROUPS,
        HOW_IT_PRINTS
    }

    public enum Kind {
        /** Solid bars, for printers that print no stairs. */
        BARS(Set.of(Blind.WHICH_NOZZLES, Blind.FEW_GAPS, Blind.DEFLECTION, Blind.SAME_GAP_AS_BEFORE)),
        /** The stream of a head on the bench. */
        STREAM(Set.of(
                Blind.WHICH_NOZZLES,
                Blind.FEW_GAPS,
                Blind.SAME_GAP_AS_BEFORE,
                Blind.DRIVE_GROUPS,
                Blind.HOW_IT_PRINTS)),
        /** Wet marks on a fresh pad. */
        PAD_PRINT(Set.of(Blind.WHICH_NOZZLES, Blind.FEW_GAPS, Blind.DRIVE_GROUPS, Blind.HOW_IT_PRINTS));

        private final Set<Blind> blind;

        Kind(Set<Blind> blind) {
            this.blind = blind;
        }

        /** In the order of {@link Blind}. */
        public List<Blind> cannotTell() {
            return blind.stream().sorted().toList();
        }

        /** Whether it is read without printing. */
        public boolean isOffMachine() {
            return this != BARS;
        }

        /** Levels of this kind, best first. */
        public List<Level> levels() {
            return Arrays.stream(Level.values()).filter(l -> l.kind == this).toList();
        }
    }

    /** What was seen; within a kind, best first. */
    public enum Level {
        BAR_FULL(Kind.BARS, false),
        BAR_STREAKED(Kind.BARS, true),
        BAR_PALE(Kind.BARS, false),
        BAR_ABSENT(Kind.BARS, false),
        STREAM_WHOLE(Kind.STREAM, false),
        STREAM_BROKEN(Kind.STREAM, false),
        STREAM_DRIPS(Kind.STREAM, false),
        STREAM_NONE(Kind.STREAM, false),
        PAD_WHOLE_ROW(Kind.PAD_PRINT, false),
        PAD_PART(Kind.PAD_PRINT, true),
        PAD_DRY(Kind.PAD_PRINT, false);

        private final Kind kind;
        private final boolean asksWhere;

        Level(Kind kind, boolean asksWhere) {
            this.kind = kind;
            this.asksWhere = asksWhere;
        }

        public Kind kind() {
            return kind;
        }

        public boolean isBest() {
            return kind.levels().get(0) == this;
        }

        /** Whether it matters where on the channel. */
        public boolean asksWhere() {
            return asksWhere;
        }
    }

    /** Part of a channel, from nozzle 1 on. */
    public enum Where {
        START,
        MIDDLE,
        END,
        ALL_OVER
    }

    /**
     * @param level what was seen, or null when the channel was not looked at
     * @param where which part of the channel streaks, or wets; null when that was not said
     */
    public record Line(Level level, Where where) {}

    /** How a channel stands against an earlier reading of the same kind. */
    public enum Change {
        BETTER,
        SAME,
        WORSE,
        /** The same word at another place: what streaked then is whole now, and the other way round. */
        ELSEWHERE,
        NOT_LOOKED
    }

    public CoarseReading {
        channels = Collections.unmodifiableMap(new LinkedHashMap<>(channels));
        for (Map.Entry<String, Line> entry : channels.entrySet()) {
            Level level = entry.getValue().level();
            if (level != null && level.kind() != kind) {
                throw new IllegalArgumentException(
                        "channel " + entry.getKey() + ": " + level + " is no reading of the kind " + kind);
            }
        }
    }

    /**
     * @throws IllegalArgumentException when the two are of different kinds
     */
    public static Map<String, Change> compare(CoarseReading before, CoarseReading now) {
        if (before.kind != now.kind) {
            throw new IllegalArgumentException(before.kind + " and " + now.kind + " cannot be compared");
        }
        Map<String, Change> changes = new LinkedHashMap<>();
        now.channels.forEach((code, line) -> changes.put(code, change(before.channels.get(code), line)));
        return changes;
    }

    /**
     * The same as counts, each step down from the best level counted as one nozzle out of as many as there are steps;
     * channels that were not looked at in both are left out.
     *
     * @throws IllegalArgumentException when the two are of different kinds
     */
    public static Map<String, Counts> counts(CoarseReading before, CoarseReading now) {
        Map<String, Change> changes = compare(before, now);
        Map<String, Counts> counts = new LinkedHashMap<>();
        int steps = now.kind.levels().size() - 1;
        changes.forEach((code, change) -> {
            if (change == Change.NOT_LOOKED) {
                return;
            }
            int was = before.kind.levels().indexOf(before.channels.get(code).level());
            int is = now.kind.levels().indexOf(now.channels.get(code).level());
            boolean moved = change == Change.ELSEWHERE;
            int restored = moved ? 1 : Math.max(0, was - is);
            int newly = moved ? 1 : Math.max(0, is - was);
            counts.put(code, new Counts(steps, 0, restored, was - restored, newly, 0, 0, 0, 0));
        });
        return counts;
    }

    private static Change change(Line before, Line now) {
        if (before == null || before.level() == null || now.level() == null) {
            return Change.NOT_LOOKED;
        }
        int step = now.level().compareTo(before.level());
        if (step != 0) {
            return step < 0 ? Change.BETTER : Change.WORSE;
        }
        boolean moved = before.where() != null && now.where() != null && before.where() != now.where();
        return moved ? Change.ELSEWHERE : Change.SAME;
    }
}
