package undoknot.bench;

import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * What a day is made from.
 *
 * @param heads in the order in which they came
 * @param have how many there are of each place
 * @param fixed by stint; keys are those of {@link #key}
 */
public record Bench(List<HeadJob> heads, List<Person> people, Map<Place, Integer> have, Map<String, Fixed> fixed) {

    public Bench {
        heads = List.copyOf(heads);
        people = List.copyOf(people);
        Map<Place, Integer> all = new EnumMap<>(Place.class);
        for (Place place : Place.values()) {
            all.put(place, have.getOrDefault(place, 0));
        }
        have = Map.copyOf(all);
        fixed = Map.copyOf(fixed);
    }

    /** Name of a stint among those of all heads. */
    public static String key(HeadJob head, Stint stint) {
        return head.id() + "/" + stint.key();
    }

    public Bench with(Map<String, Fixed> other) {
        return new Bench(heads, people, have, other);
    }

    public Bench having(Map<Place, Integer> other) {
        return new Bench(heads, people, other, fixed);
    }

    public Bench of(List<Person> other) {
        return new Bench(heads, other, have, fixed);
    }

    /** Without what somebody wants at a time; what has begun stays. */
    public Bench unpinned() {
        Map<String, Fixed> begun = new HashMap<>(fixed);
        begun.values().removeIf(f -> !f.begun());
        return with(begun);
    }

    /** How many heads stand at a place now. */
    int standing(Place place) {
        int standing = 0;
        for (HeadJob head : heads) {
            for (int i = 0; i < head.stints().size(); i++) {
                Stint stint = head.stints().get(i);
                Fixed at = fixed(head, stint);
                boolean begun = at != null && at.begun();
                boolean runs = i == 0 && !begun && head.runsIn().contains(place);
                standing += (begun && stint.places().contains(place) ? 1 : 0) + (runs ? 1 : 0);
            }
        }
        return standing;
    }

    Fixed fixed(HeadJob head, Stint stint) {
        return fixed.get(key(head, stint));
    }
}
