package undoknot.procedure;

import java.util.List;

/**
 * One line of the steps as they stand.
 *
 * @param act what is done
 * @param done how often it was
 * @param of how often it belongs there
 * @param left channels that it is still to be done in, in their order; empty where it is about the machine
 */
public record Stage(Act act, int done, int of, List<String> left) {

    public Stage {
        left = List.copyOf(left);
    }

    static Stage once(Act act, boolean isDone) {
        return new Stage(act, isDone ? 1 : 0, 1, List.of());
    }

    boolean isComplete() {
        return done >= of;
    }
}
