package undoknot.server.scan;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Semaphore;
import java.util.function.Supplier;

/** Who may decode and read a picture now: first come first served, and nobody twice at once. */
final class Turns {

    /** Room for so many ordinary pictures. */
    static final int ALL = 2;

    private final Semaphore room = new Semaphore(ALL, true);
    private final Map<String, Semaphore> people = new ConcurrentHashMap<>();

    /**
     * @param who one person waits for the own picture before, so that ten of them leave room for the next person
     * @param share 1, or {@link #ALL} for a picture that needs all room
     */
    <T> T take(String who, int share, Supplier<T> work) {
        Semaphore own = people.computeIfAbsent(who, name -> new Semaphore(1, true));
        own.acquireUninterruptibly();
        try {
            room.acquireUninterruptibly(share);
            try {
                return work.get();
            } finally {
                room.release(share);
            }
        } finally {
            own.release();
        }
    }
}
