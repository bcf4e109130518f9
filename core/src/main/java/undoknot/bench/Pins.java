package undoknot.bench;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * What somebody wants at a time, as far as it still can be: after a change a step may fit no more where it was wanted. The earliest are
 * kept first.
 *
 * @param bench with those that fit
 * @param letGo keys of those that do not, by what is in their way
 */
public record Pins(Bench bench, Map<String, NoRoom.Why> letGo) {

    public Pins {
        letGo = Map.copyOf(letGo);
    }

    /** @throws NoRoom when the bench has no room even without them */
    public static Pins thatFit(Bench asked) {
        Bench fits = asked.unpinned();
        List<Map.Entry<String, Fixed>> wanted = new ArrayList<>(asked.fixed().entrySet());
        wanted.removeIf(e -> e.getValue().begun());
        if (wanted.isEmpty()) {
            FirstCome.of(fits);
            return new Pins(fits, Map.of());
        }
        wanted.sort(Comparator.<Map.Entry<String, Fixed>>comparingInt(
                        e -> e.getValue().start())
                .thenComparing(Map.Entry::getKey));
        Map<String, NoRoom.Why> letGo = new HashMap<>();
        for (Map.Entry<String, Fixed> pin : wanted) {
            Map<String, Fixed> more = new HashMap<>(fits.fixed());
            more.put(pin.getKey(), pin.getValue());
            Bench with = asked.with(more);
            try {
                FirstCome.of(with);
                fits = with;
            } catch (NoRoom e) {
                letGo.put(pin.getKey(), e.why());
            }
        }
        return new Pins(fits, letGo);
    }
}
