package undoknot.sitting;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/**
 * What was noted of work besides its channels, fluid and time.
 *
 * @param answers to what its method is asked; what nobody said is left out
 * @param parts done with it
 * @param turns of a rinse, in order
 * @param pass of an alignment; null for other work
 */
public record Noted(Map<Asked, BigDecimal> answers, List<PartWork> parts, List<Turn> turns, AlignmentPass pass) {

    public static final Noted NOTHING = new Noted(Map.of(), List.of(), List.of());

    public Noted(Map<Asked, BigDecimal> answers, List<PartWork> parts, List<Turn> turns) {
        this(answers, parts, turns, null);
    }

    public Noted {
        Map<Asked, BigDecimal> inOrder = new EnumMap<>(Asked.class);
        inOrder.putAll(answers);
        answers = Collections.unmodifiableMap(inOrder);
        parts = List.copyOf(parts);
        turns = List.copyOf(turns);
    }

    public boolean says(Asked asked) {
        return answers.getOrDefault(asked, BigDecimal.ZERO).signum() > 0;
    }

    /** Whether it was answered with no; what nobody said is not no. */
    public boolean denies(Asked asked) {
        return answers.containsKey(asked) && !says(asked);
    }

    /** The same with one turn more, or with the turn of that key as it is known now. */
    public Noted with(Turn turn) {
        List<Turn> next = new ArrayList<>(turns);
        int at = 0;
        while (at < next.size() && !turn.id().equals(next.get(at).id())) {
            at++;
        }
        if (at < next.size()) {
            next.set(at, turn);
        } else {
            next.add(turn);
        }
        return new Noted(answers, parts, next, pass);
    }
}
