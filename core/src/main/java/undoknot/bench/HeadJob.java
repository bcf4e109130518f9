package undoknot.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Set;

/**
 * What a head of the bench still takes.
 *
 * @param id of its visit
 * @param tag as it hangs on the head
 * @param stints in their order, one after the other
 * @param due minute by which it is promised; null when nothing is
 * @param from minute before which nothing can begin: a soak or a hold runs until then
 * @param until minute by which the first has to begin, since what runs may not run longer; {@link Stint#ANY} for none
 * @param runsIn what a soak that runs takes until the first begins
 * @param again chance that it takes another round than those reckoned with
 * @param againHands minutes of hands of that round
 */
public record HeadJob(
        String id,
        String tag,
        List<Stint> stints,
        Integer due,
        int from,
        int until,
        Set<Place> runsIn,
        double again,
        int againHands) {

    public HeadJob {
        Objects.requireNonNull(id, "id");
        stints = List.copyOf(stints);
        runsIn = Set.copyOf(runsIn);
        if (until < from) {
            throw new IllegalArgumentException("must begin by " + until + ", which is before " + from);
        }
    }

    /** With nothing that runs and no other round to come. */
    public static HeadJob of(String id, List<Stint> stints, Integer due) {
        return new HeadJob(id, id, stints, due, 0, Stint.ANY, Set.of(), 0, 0);
    }

    /** The same where what runs may run on until then. */
    HeadJob until(int minute) {
        return new HeadJob(id, tag, stints, due, from, minute, runsIn, again, againHands);
    }

    /** The same where what soaks after a stint may soak on for so long. */
    HeadJob longer(int stint, int most) {
        Stint before = stints.get(stint);
        if (!before.isBounded() || most <= before.most()) {
            return this;
        }
        List<Stint> others = new ArrayList<>(stints);
        others.set(stint, before.most(most));
        return new HeadJob(id, tag, others, due, from, until, runsIn, again, againHands);
    }

    /**
     * The same where whatever soaks in an attempt may soak on for any time.
     *
     * @param key of one of its stints, as {@link Bench#key}
     */
    HeadJob lettingSoak(String key) {
        String attempt = attempt(key.substring(key.indexOf('/') + 1));
        List<Stint> others = stints.stream()
                .map(s -> attempt(s.key()).equals(attempt) ? s.most(Stint.ANY) : s)
                .toList();
        return new HeadJob(id, tag, others, due, from, until, runsIn, again, againHands);
    }

    private static String attempt(String key) {
        int cut = key.indexOf('-');
        return cut < 0 ? "" : key.substring(0, cut);
    }

    int hands() {
        return stints.stream().mapToInt(Stint::hands).sum();
    }
}
