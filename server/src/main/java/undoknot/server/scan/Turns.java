package undoknot.server.scan;

import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Semaphore;
import java.util.function.Function;
import java.util.function.Supplier;

/**
 * Who may decode and read a picture now: first come first served, and nobody twice at once. Files are in memory only while they are
 * measured, read or stored, each a few at a time.
 */
final class Turns {

    /** Room for so many ordinary pictures. */
    static final int ALL = 2;

    private final Semaphore room = new Semaphore(ALL, true);
    private final Semaphore measuring = new Semaphore(1, true);
    private final Semaphore storing = new Semaphore(1, true);
    private final Semaphore sending = new Semaphore(1, true);
    private final Map<String, Semaphore> people = new ConcurrentHashMap<>();

    /** Who waits for room or has it, in the order in which they came. */
    private final Set<String> line = new LinkedHashSet<>();

    /** One person waits for the own picture before, so that ten of them leave room for the next person. */
    <T> T ofPerson(String who, Supplier<T> work) {
        return with(people.computeIfAbsent(who, name -> new Semaphore(1, true)), 1, work);
    }

    /** A look at a file, so that what is refused by its size waits for no reading. */
    <T> T toMeasure(Supplier<T> look) {
        return with(measuring, 1, look);
    }

    /** A file taken out of the record: one at a time is in memory. */
    <T> T toSend(Supplier<T> work) {
        return with(sending, 1, work);
    }

    /**
     * @param who whose turn it is
     * @param share 1, or {@link #ALL} for a picture that needs all room
     * @param work on the picture, which is let go before anything is stored
     * @param store what is done with the outcome; the next picture waits while what comes out of this one cannot be stored yet
     */
    <T, R> R take(String who, int share, Supplier<T> work, Function<T, R> store) {
        enter(who);
        boolean hasRoom = false;
        try {
            room.acquireUninterruptibly(share);
            hasRoom = true;
            T done = work.get();
            storing.acquireUninterruptibly();
            try {
                room.release(share);
                hasRoom = false;
                leave(who);
                return store.apply(done);
            } finally {
                storing.release();
            }
        } finally {
            leave(who);
            if (hasRoom) {
                room.release(share);
            }
        }
    }

    /** How many people's pictures come before that of this person; 0 when it is read already, or waits for nothing. */
    int before(String who) {
        synchronized (line) {
            int place = 0;
            for (String one : line) {
                if (one.equals(who)) {
                    return Math.max(0, place - ALL + 1);
                }
                place++;
            }
            return 0;
        }
    }

    boolean isWaitingOrReading(String who) {
        synchronized (line) {
            return line.contains(who);
        }
    }

    private void enter(String who) {
        synchronized (line) {
            line.add(who);
        }
    }

    private void leave(String who) {
        synchronized (line) {
            line.remove(who);
        }
    }

    private static <T> T with(Semaphore permits, int count, Supplier<T> work) {
        permits.acquireUninterruptibly(count);
        try {
            return work.get();
        } finally {
            permits.release(count);
        }
    }
}
