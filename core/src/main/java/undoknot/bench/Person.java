package undoknot.bench;

import java.util.List;
import java.util.Objects;

/**
 * Somebody who works at the bench.
 *
 * @param atWork when; in order, none meeting another
 */
public record Person(String name, List<Window> atWork) {

    public Person {
        Objects.requireNonNull(name, "name");
        atWork = List.copyOf(atWork);
        for (int i = 1; i < atWork.size(); i++) {
            if (atWork.get(i - 1).until() > atWork.get(i).from()) {
                throw new IllegalArgumentException("hours of " + name + " are out of order: " + atWork);
            }
        }
    }

    boolean isAtWork(int start, int end) {
        return atWork.stream().anyMatch(w -> w.holds(start, end));
    }
}
