package undoknot.bench;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import undoknot.bench.Day.Placed;

/**
 * People with the same hours, any of whom may do what the crew does. Whoever has something fixed stands alone: for the others it makes no
 * difference who of them it is, so that the solver need not try.
 *
 * @param people places in the list of people
 */
record Crew(List<Integer> people, List<Window> atWork) {

    /** A stretch of work of a crew. */
    record Turn(int crew, int start, int end) {}

    static List<Crew> of(Bench bench) {
        Set<Integer> alone = bench.fixed().values().stream().map(Fixed::person).collect(Collectors.toSet());
        Map<Object, List<Integer>> alike = new LinkedHashMap<>();
        for (int p = 0; p < bench.people().size(); p++) {
            Object hours =
                    alone.contains(p) ? (Object) p : bench.people().get(p).atWork();
            alike.computeIfAbsent(hours, h -> new ArrayList<>()).add(p);
        }
        return alike.values().stream()
                .map(people -> new Crew(
                        List.copyOf(people), bench.people().get(people.get(0)).atWork()))
                .toList();
    }

    static int withAlone(List<Crew> crews, int person) {
        for (int c = 0; c < crews.size(); c++) {
            if (crews.get(c).people.contains(person)) {
                return c;
            }
        }
        throw new IllegalArgumentException("nobody is number " + person);
    }

    /** In the order of their starts, each goes to the first of the crew who is free: as many are, as never more run at once. */
    static void dealOut(List<Crew> crews, Map<String, Turn> turns, Map<String, Placed> placed) {
        Map<Integer, Integer> freeFrom = new HashMap<>();
        turns.entrySet().stream()
                .sorted(Comparator.comparingInt((Map.Entry<String, Turn> e) -> e.getValue().start)
                        .thenComparing(Map.Entry::getKey))
                .forEach(e -> {
                    Turn turn = e.getValue();
                    int person = crews.get(turn.crew).people.stream()
                            .filter(p -> freeFrom.getOrDefault(p, 0) <= turn.start)
                            .findFirst()
                            .orElseThrow(() -> new IllegalStateException("more work at once than people"));
                    freeFrom.put(person, turn.end);
                    placed.put(e.getKey(), new Placed(person, turn.start));
                });
    }
}
