package undoknot.nozzle;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Nozzles the way people say them: {@code 12-18, 40, 77-}. A part is a number, a range, a range open to the end
 * ({@code 77-}) or from the start ({@code -5}), or {@code all} or {@code none}. Nozzles are numbered from 1.
 */
public final class SpokenNozzles {

    private static final Pattern PART = Pattern.compile("(\\d{1,6})?\\s*(-)?\\s*(\\d{1,6})?");

    /** What is wrong with a part, as data; the wording is the screen's. */
    public enum Fault {
        NOT_A_NUMBER,
        OUTSIDE_CHANNEL,
        BACKWARDS
    }

    /** @param part the part as typed */
    public record Trouble(String part, Fault fault, int lastNozzle) {}

    /** @param nozzles the nozzles of every part that could be read */
    public record Reading(BitSet nozzles, List<Trouble> problems) {
        public boolean isClean() {
            return problems.isEmpty();
        }
    }

    private SpokenNozzles() {}

    /** Reads what was typed for a channel of {@code size} nozzles. Never throws for what a person can type. */
    public static Reading parse(String typed, int size) {
        BitSet nozzles = new BitSet(size + 1);
        List<Trouble> problems = new ArrayList<>();
        String plain = typed.toLowerCase(Locale.ROOT)
                .replaceAll("[\\u2010-\\u2015\\u2212]|\\bto\\b", "-")
                // A line that ends open ("77-") does not run on into the next.
                .replaceAll("[ \\t]*-[ \\t]*", "-");
        for (String part : plain.split("[,;\\n]+|\\band\\b|(?<=[\\d-])\\s+(?=[\\d-])")) {
            String trimmed = part.strip();
            if (trimmed.isEmpty() || trimmed.equals("none")) {
                continue;
            }
            if (trimmed.equals("all")) {
                nozzles.set(1, size + 1);
                continue;
            }
            Fault fault = add(trimmed, size, nozzles);
            if (fault != null) {
                problems.add(new Trouble(trimmed, fault, size));
            }
        }
        return new Reading(nozzles, List.copyOf(problems));
    }

    private static Fault add(String part, int size, BitSet nozzles) {
        Matcher matcher = PART.matcher(part);
        if (!matcher.matches() || (matcher.group(1) == null && matcher.group(3) == null)) {
            return Fault.NOT_A_NUMBER;
        }
        boolean isRange = matcher.group(2) != null;
        if (!isRange && matcher.group(1) != null && matcher.group(3) != null) {
            return Fault.NOT_A_NUMBER;
        }
        int first = matcher.group(1) == null ? 1 : Integer.parseInt(matcher.group(1));
        int last = matcher.group(3) != null ? Integer.parseInt(matcher.group(3)) : isRange ? size : first;
        if (first < 1 || last < 1 || first > size || last > size) {
            return Fault.OUTSIDE_CHANNEL;
        }
        if (last < first) {
            return Fault.BACKWARDS;
        }
        nozzles.set(first, last + 1);
        return null;
    }

    /** Says nozzles of a channel of {@code size} the same way; the empty set is {@code none}. */
    public static String print(BitSet nozzles, int size) {
        List<String> parts = new ArrayList<>();
        for (int first = nozzles.nextSetBit(1); first >= 0; ) {
            int last = nozzles.nextClearBit(first) - 1;
            if (first == 1 && last == size) {
                return "all";
            }
            parts.add(first == last ? "" + first : last == size ? first + "-" : first + "-" + last);
            first = nozzles.nextSetBit(last + 1);
        }
        return parts.isEmpty() ? "none" : String.join(", ", parts);
    }
}
