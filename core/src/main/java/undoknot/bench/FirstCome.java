package undoknot.bench;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import undoknot.bench.Day.Placed;

/**
 * Lays one head after the other into the day, each stint as early as hands and places are free. In the order in which heads came it is
 * what a bench does without a plan, and no proposed day is worse.
 */
final class FirstCome {

    /** Days looked ahead. */
    static final int HORIZON = 60 * 24 * 60;

    private final Bench bench;
    private final Map<String, Integer> notBefore;
    private final Room room;
    private final Map<String, Placed> placed = new HashMap<>();
    private final Map<String, HeadJob> eased = new HashMap<>();

    private FirstCome(Bench bench, Map<String, Integer> notBefore) {
        this.bench = bench;
        this.notBefore = notBefore;
        this.room = new Room(bench, HORIZON);
    }

    /**
     * A day, and the bench it stands for.
     *
     * @param bench in which a soak that nobody can end in time may run until somebody can
     */
    record Laid(Bench bench, Day day) {}

    /** @throws NoRoom when something fits nowhere */
    static Laid of(Bench bench) {
        return of(bench, Comparator.comparingInt((HeadJob head) -> 0), Map.of());
    }

    /**
     * @param order of the heads; those that are equal in the order in which they came
     * @param notBefore earliest minute of a stint, by its key
     * @throws NoRoom when something fits nowhere
     */
    static Laid of(Bench bench, Comparator<HeadJob> order, Map<String, Integer> notBefore) {
        return new FirstCome(bench, notBefore).lay(order);
    }

    private Laid lay(Comparator<HeadJob> order) {
        for (HeadJob head : bench.heads()) {
            reserve(head);
        }
        List<HeadJob> heads = new ArrayList<>(bench.heads());
        // What runs and must be ended comes first, whatever the order.
        heads.sort(Comparator.<HeadJob>comparingInt(HeadJob::until)
                .thenComparing(head -> head.stints().stream().noneMatch(s -> bench.fixed(head, s) != null))
                .thenComparing(head -> head.runsIn().isEmpty())
                .thenComparing(order));
        heads.forEach(this::lay);
        Bench stands = new Bench(
                bench.heads().stream()
                        .map(head -> eased.getOrDefault(head.id(), head))
                        .toList(),
                bench.people(),
                bench.have(),
                bench.fixed());
        return new Laid(stands, new Day(placed));
    }

    /** Where a soak ends in nobody's hours whenever it begins, it soaks on until somebody is there. */
    private void lay(HeadJob head) {
        HeadJob lets = head;
        while (true) {
            try {
                new Laying(head, lets).lay();
                return;
            } catch (NoRoom none) {
                HeadJob more = lets.lettingSoak(none.key());
                if (none.why() != NoRoom.Why.FITS_NOWHERE || more.equals(lets)) {
                    throw none;
                }
                lets = more;
            }
        }
    }

    /** What is fixed, and what already stands somewhere, is taken before anything else is laid. */
    private void reserve(HeadJob head) {
        for (Stint stint : head.stints()) {
            Fixed fixed = bench.fixed(head, stint);
            if (fixed != null) {
                int end = fixed.start() + stint.hands();
                if (!fixed.begun() && !room.isFree(fixed.person(), fixed.start(), end)) {
                    throw new NoRoom(NoRoom.Why.PERSON_BUSY, Bench.key(head, stint));
                }
                if (!fixed.begun() && room.lastFull(stint.places(), fixed.start(), end) >= 0) {
                    throw new NoRoom(NoRoom.Why.PLACE_TAKEN, Bench.key(head, stint));
                }
                room.work(fixed.person(), fixed.start(), end);
                // What soaks in it from then on keeps it.
                room.take(stint.places(), fixed.start(), fixed.begun() && stint.kept() ? end + stint.least() : end);
            }
        }
        if (!head.stints().isEmpty() && bench.fixed(head, head.stints().get(0)) == null) {
            room.take(head.runsIn(), 0, head.from());
        }
    }

    /** One head. */
    private final class Laying {

        private final HeadJob head;
        private final List<Stint> stints;
        private HeadJob standing;
        private final int[] low;
        private final int[] start;
        private final int[] person;

        /** @param lets the same head, where what soaks may soak on */
        Laying(HeadJob head, HeadJob lets) {
            this.head = head;
            this.standing = head;
            this.stints = lets.stints();
            this.low = new int[stints.size()];
            this.start = new int[stints.size()];
            this.person = new int[stints.size()];
            for (int i = 0; i < low.length; i++) {
                low[i] = Math.max(head.from(), notBefore.getOrDefault(key(i), 0));
            }
        }

        private String key(int i) {
            return Bench.key(head, stints.get(i));
        }

        private Fixed fixed(int i) {
            return bench.fixed(head, stints.get(i));
        }

        private boolean isBegun(int i) {
            return fixed(i) != null && fixed(i).begun();
        }

        private int end(int i) {
            return start[i] + stints.get(i).hands();
        }

        void lay() {
            int i = 0;
            while (i < low.length) {
                if (fixed(i) == null) {
                    free(i);
                } else {
                    fix(i);
                }
                int back = i == 0 ? -1 : tooLong(i);
                // What is in hand cannot begin later: nobody can be there in time, and it soaks on until somebody is.
                if (back < 0 || isBegun(i - 1)) {
                    i++;
                    continue;
                }
                // What comes before has to begin later, so that nothing soaks too long and nothing stands where there
                // is no room.
                i--;
                if (fixed(i) != null) {
                    throw new NoRoom(NoRoom.Why.FITS_NOWHERE, key(i + 1));
                }
                low[i] = back;
            }
            keep();
        }

        /** From when the one before has to begin at the earliest; -1 when all is well. */
        private int tooLong(int i) {
            Stint before = stints.get(i - 1);
            if (before.isBounded() && start[i] > end(i - 1) + before.most()) {
                return start[i] - before.most() - before.hands();
            }
            if (before.kept()) {
                int full = room.lastFull(before.places(), end(i - 1), start[i]);
                return full < 0 ? -1 : full + 1;
            }
            return -1;
        }

        private int earliest(int i) {
            return i == 0
                    ? low[0]
                    : Math.max(low[i], end(i - 1) + stints.get(i - 1).least());
        }

        private void fix(int i) {
            Fixed fixed = fixed(i);
            start[i] = fixed.start();
            person[i] = fixed.person();
            if (fixed.begun()) {
                return;
            }
            if (i == 0
                    ? fixed.start() < head.from()
                    : fixed.start() < end(i - 1) + stints.get(i - 1).least()) {
                throw new NoRoom(NoRoom.Why.FIXED_TOO_EARLY, key(i));
            }
            if (i == 0 && fixed.start() > head.until()) {
                throw new NoRoom(NoRoom.Why.FIXED_TOO_LATE, key(i));
            }
        }

        private void free(int i) {
            Stint stint = stints.get(i);
            int from = earliest(i);
            while (true) {
                Room.Free free = room.first(from, stint.hands());
                if (free == null) {
                    throw new NoRoom(NoRoom.Why.FITS_NOWHERE, key(i));
                }
                int full = room.lastFull(stint.places(), free.start(), free.start() + stint.hands());
                if (full < 0) {
                    start[i] = free.start();
                    person[i] = free.person();
                    return;
                }
                from = full + 1;
            }
        }

        private void keep() {
            for (int i = 0; i < low.length; i++) {
                if (i > 0) {
                    standing = standing.longer(i - 1, start[i] - end(i - 1));
                }
                placed.put(key(i), new Placed(person[i], start[i]));
                Stint stint = stints.get(i);
                if (fixed(i) == null) {
                    room.work(person[i], start[i], end(i));
                    room.take(stint.places(), start[i], end(i));
                }
                if (stint.kept() && i + 1 < low.length) {
                    room.take(stint.places(), end(i) + (isBegun(i) ? stint.least() : 0), start[i + 1]);
                }
            }
            if (low.length > 0 && fixed(0) == null) {
                room.take(head.runsIn(), head.from(), start[0]);
                if (start[0] > head.until()) {
                    standing = standing.until(start[0]);
                }
            }
            if (!standing.equals(head)) {
                eased.put(head.id(), standing);
            }
        }
    }
}
