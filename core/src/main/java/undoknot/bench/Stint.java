package undoknot.bench;

import java.util.EnumSet;
import java.util.Objects;
import java.util.Set;
import undoknot.plan.Doing;
import undoknot.treatment.Method;

/**
 * Work that one person does without leaving it, and the wait after it.
 *
 * @param key names it within its head; stays the same as long as the plan does
 * @param doing what it begins with
 * @param method of the attempt that it belongs to; null for what goes before and after
 * @param hands minutes
 * @param least minutes of the wait after it
 * @param most minutes after it by which the next has to begin; {@link #ANY} where waiting longer does no harm
 * @param places what it needs besides hands
 * @param kept whether the places stay taken until the next stint begins: something soaks there
 */
public record Stint(
        String key, Doing doing, Method method, int hands, int least, int most, Set<Place> places, boolean kept) {

    /** No end of a wait. */
    public static final int ANY = Integer.MAX_VALUE;

    public Stint {
        Objects.requireNonNull(key, "key");
        Objects.requireNonNull(doing, "doing");
        places = places.isEmpty() ? Set.of() : Set.copyOf(EnumSet.copyOf(places));
        if (hands < 1 || least < 0 || most < least) {
            throw new IllegalArgumentException("hands " + hands + ", least " + least + ", most " + most);
        }
    }

    Stint most(int minutes) {
        return new Stint(key, doing, method, hands, least, minutes, places, kept);
    }

    boolean isBounded() {
        return most != ANY;
    }
}
