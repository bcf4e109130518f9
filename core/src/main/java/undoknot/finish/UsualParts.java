package undoknot.finish;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import undoknot.finish.OffPart.Kind;
import undoknot.head.Channel;
import undoknot.head.Family;

/** What usually comes off the printers of a family, in order, as a list to tick (handbook 9 and 14). */
public final class UsualParts {

    /**
     * @param channel whose it is; null for parts of the machine
     * @param count how many
     */
    public record Usual(Kind kind, String name, String channel, int count) {}

    private static final Map<String, Integer> NUMBERS =
            Map.of("one", 1, "two", 2, "three", 3, "four", 4, "five", 5, "six", 6, "seven", 7, "eight", 8);

    /** "manifold, four screws": the thing, and what holds it. */
    private static final Pattern HELD_BY =
            Pattern.compile("(?:(.+), )?(\\w+) (screws?|clips?)", Pattern.CASE_INSENSITIVE);

    private static final Map<String, Kind> WORDS = Map.ofEntries(
            Map.entry("screw", Kind.SCREW),
            Map.entry("clip", Kind.CLIP),
            Map.entry("seal", Kind.SEAL),
            Map.entry("gasket", Kind.SEAL),
            Map.entry("cable", Kind.RIBBON),
            Map.entry("tube", Kind.TUBE),
            Map.entry("boot", Kind.TUBE),
            Map.entry("line", Kind.TUBE));

    private UsualParts() {}

    public static List<Usual> of(Family family) {
        List<Usual> usual = new ArrayList<>();
        for (String part : family.machine().parts()) {
            Matcher held = HELD_BY.matcher(part.strip());
            Integer number = held.matches() ? NUMBERS.get(held.group(2).toLowerCase(Locale.ROOT)) : null;
            if (number == null) {
                add(usual, part.strip(), family);
                continue;
            }
            String what = held.group(3);
            Kind kind = what.toLowerCase(Locale.ROOT).startsWith("screw") ? Kind.SCREW : Kind.CLIP;
            // What holds a thing comes off before it.
            String of = held.group(1) == null ? "" : " of the " + held.group(1);
            usual.add(new Usual(kind, what + of, null, number));
            if (held.group(1) != null) {
                add(usual, held.group(1), family);
            }
        }
        return List.copyOf(usual);
    }

    private static void add(List<Usual> usual, String name, Family family) {
        String word = name.toLowerCase(Locale.ROOT);
        if (word.startsWith("cartridge")) {
            // Each is recognised by itself, light colours first.
            family.lightFirst(family.channels().stream().map(Channel::code).toList())
                    .forEach(code -> usual.add(new Usual(Kind.CARTRIDGE, "cartridge", code, 1)));
            return;
        }
        Kind kind = kindOf(word);
        int count = kind == Kind.SEAL && word.endsWith("s") ? family.channels().size() : 1;
        usual.add(new Usual(kind, name, null, count));
    }

    /** What a thing is by its name; a person may say otherwise. */
    static Kind kindOf(String name) {
        if (name.equals("head")) {
            return Kind.HEAD;
        }
        if (name.equals("ribbon") || name.equals("ribbons")) {
            return Kind.RIBBON;
        }
        if (name.endsWith("cover")) {
            return Kind.PART;
        }
        return WORDS.entrySet().stream()
                .filter(e -> name.contains(e.getKey()))
                .map(Map.Entry::getValue)
                .sorted()
                .findFirst()
                .orElse(Kind.PART);
    }
}
