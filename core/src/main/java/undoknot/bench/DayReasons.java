package undoknot.bench;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import undoknot.bench.Day.Placed;

/**
 * Why a day is as it is: on what heads wait that could go on, which are late on whose account, and which waits the night takes.
 *
 * @param waits what heads wait on, the longest first
 * @param late heads that miss their promise, the latest first
 * @param overnight heads that soak, dry or rest while nobody is there
 * @param eased heads whose soak nobody can end in time
 */
public record DayReasons(List<WaitsOn> waits, List<Late> late, List<String> overnight, List<String> eased) {

    /** On what a head waits that could go on. */
    public enum On {
        BATH,
        TRAY,
        PRINTER,
        TEST_SLOT,
        /** Everybody who is there has other work. */
        HANDS,
        /** Nobody is there. */
        CLOSED,
        /** Another head goes first, or the rest of the shift is too short for it. */
        TURN
    }

    /**
     * @param minutes of all heads together
     * @param heads how many
     * @param from minute at which the first begins to wait
     */
    public record WaitsOn(On on, int minutes, int heads, int from) {}

    /**
     * @param minutes after its promise
     * @param anyway whether it would be late with the whole bench to itself
     * @param on what it waits on longest; null when on nothing
     */
    public record Late(String id, int minutes, boolean anyway, On on) {}

    public DayReasons {
        waits = List.copyOf(waits);
        late = List.copyOf(late);
        overnight = List.copyOf(overnight);
        eased = List.copyOf(eased);
    }

    /** @param asked the bench as it was before a soak was let run on */
    public static DayReasons of(Bench asked, Proposed proposed) {
        return new Reasoner(asked, proposed).reasons();
    }

    private static final class Reasoner {

        private final Bench asked;
        private final Bench bench;
        private final Day day;
        private final Room room;
        private final Map<On, Integer> minutes = new EnumMap<>(On.class);
        private final Map<On, Integer> from = new EnumMap<>(On.class);
        private final Map<On, Set<String>> heads = new EnumMap<>(On.class);
        private final Map<String, Map<On, Integer>> byHead = new HashMap<>();
        private final List<String> overnight = new ArrayList<>();

        Reasoner(Bench asked, Proposed proposed) {
            this.asked = asked;
            this.bench = proposed.bench();
            this.day = proposed.day();
            this.room = new Room(bench, FirstCome.HORIZON);
            bench.heads().forEach(this::fill);
        }

        private void fill(HeadJob head) {
            for (int i = 0; i < head.stints().size(); i++) {
                Stint stint = head.stints().get(i);
                Placed at = day.of(head, stint);
                int end = at.start() + stint.hands();
                room.work(at.person(), at.start(), end);
                boolean keeps = stint.kept() && i + 1 < head.stints().size();
                room.take(
                        stint.places(),
                        at.start(),
                        keeps ? day.of(head, head.stints().get(i + 1)).start() : end);
            }
            if (!head.stints().isEmpty()) {
                room.take(head.runsIn(), 0, day.of(head, head.stints().get(0)).start());
            }
        }

        DayReasons reasons() {
            bench.heads().forEach(this::head);
            List<WaitsOn> waits = minutes.entrySet().stream()
                    .map(e -> new WaitsOn(
                            e.getKey(), e.getValue(), heads.get(e.getKey()).size(), from.get(e.getKey())))
                    .sorted(Comparator.comparingInt((WaitsOn w) -> -w.minutes))
                    .toList();
            List<Late> late = bench.heads().stream()
                    .filter(head -> day.late(head) > 0)
                    .map(this::late)
                    .sorted(Comparator.comparingInt((Late l) -> -l.minutes))
                    .toList();
            List<String> eased = new ArrayList<>();
            for (int i = 0; i < bench.heads().size(); i++) {
                if (!bench.heads().get(i).equals(asked.heads().get(i))) {
                    eased.add(bench.heads().get(i).id());
                }
            }
            return new DayReasons(waits, late, overnight, eased);
        }

        private void head(HeadJob head) {
            int could = head.from();
            boolean night = false;
            for (Stint stint : head.stints()) {
                Placed at = day.of(head, stint);
                Fixed fixed = bench.fixed(head, stint);
                for (int minute = Math.max(0, could); minute < at.start() && fixed == null; minute++) {
                    count(head, on(stint, minute), minute);
                }
                int end = at.start() + stint.hands();
                could = end + stint.least();
                night |= stint.least() > 0 && isClosedBetween(end, could);
            }
            if (night) {
                overnight.add(head.id());
            }
        }

        private boolean isClosedBetween(int start, int end) {
            for (int minute = Math.max(0, start); minute < end; minute++) {
                if (isClosed(minute)) {
                    return true;
                }
            }
            return false;
        }

        private boolean isClosed(int minute) {
            return bench.people().stream().noneMatch(p -> p.isAtWork(minute, minute + 1));
        }

        private On on(Stint stint, int minute) {
            if (isClosed(minute)) {
                return On.CLOSED;
            }
            for (Place place : stint.places()) {
                if (room.lastFull(Set.of(place), minute, minute + 1) >= 0) {
                    return On.valueOf(place.name());
                }
            }
            return room.isSomebodyFree(minute) ? On.TURN : On.HANDS;
        }

        private void count(HeadJob head, On on, int minute) {
            minutes.merge(on, 1, Integer::sum);
            from.merge(on, minute, Math::min);
            heads.computeIfAbsent(on, o -> new HashSet<>()).add(head.id());
            byHead.computeIfAbsent(head.id(), h -> new EnumMap<>(On.class)).merge(on, 1, Integer::sum);
        }

        private Late late(HeadJob head) {
            Bench alone = new Bench(List.of(head), bench.people(), bench.have(), Map.of());
            boolean anyway = FirstCome.of(alone).day().late(head) > 0;
            On on = byHead.getOrDefault(head.id(), Map.of()).entrySet().stream()
                    .max(Map.Entry.comparingByValue())
                    .map(Map.Entry::getKey)
                    .orElse(null);
            return new Late(head.id(), day.late(head), anyway, on);
        }
    }
}
