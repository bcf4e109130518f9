package undoknot.observation;

import static undoknot.observation.Sign.*;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Objects;

/** Two things observed that can hardly both hold. Both stay and both weigh; the bench is told to look again. */
public record Contradiction(Observation one, Observation other) {

    private static final List<List<Sign>> PAIRS = List.of(
            List.of(DROPS_THROUGH, FLOW_NONE),
            List.of(DROPS_BLOCKED, FLOW_FREE),
            List.of(SPONGE_DRY, DAMPER_FULL),
            List.of(MOVES_FREELY, TOLD_CARRIAGE_STANDS),
            List.of(CARRIAGE_STANDS, ALL_FIRING),
            List.of(ERROR_STANDS, ALL_FIRING),
            List.of(ERRORS_NONE, NO_CHECK),
            List.of(STATION_CLEAN, NEWLY_OUT_AFTER_CYCLE),
            List.of(FACE_CLEAN, DENSE_WITH_DEFLECTED),
            List.of(FACE_CLEAN, BETTER_AFTER_FACE),
            List.of(DAMPER_FULL, BETTER_AFTER_AIR),
            List.of(TOLD_NEVER_MOVES, WANDERS),
            List.of(TOLD_WANDERS, UNCHANGED_TWO_ROUNDS));

    public static List<Contradiction> in(Collection<Observation> observed) {
        List<Contradiction> found = new ArrayList<>();
        for (List<Sign> pair : PAIRS) {
            for (Observation one : observed) {
                for (Observation other : observed) {
                    boolean same = one.channel() == null
                            || other.channel() == null
                            || Objects.equals(one.channel(), other.channel());
                    if (one.sign() == pair.get(0) && other.sign() == pair.get(1) && same) {
                        found.add(new Contradiction(one, other));
                    }
                }
            }
        }
        found.addAll(ofOneLook(observed));
        return found;
    }

    /** Two findings of one look at one place that disagree. */
    private static List<Contradiction> ofOneLook(Collection<Observation> observed) {
        List<Observation> looked =
                observed.stream().filter(o -> Look.making(o.sign()).isPresent()).toList();
        List<Contradiction> found = new ArrayList<>();
        for (int i = 0; i < looked.size(); i++) {
            for (Observation other : looked.subList(i + 1, looked.size())) {
                Observation one = looked.get(i);
                if (one.sign() != other.sign()
                        && Look.making(one.sign()).equals(Look.making(other.sign()))
                        && Objects.equals(one.channel(), other.channel())) {
                    found.add(new Contradiction(one, other));
                }
            }
        }
        return found;
    }
}
