package undoknot.server.account;

import java.util.regex.Pattern;
import undoknot.server.problem.Refused;

/** Four digits, which open nothing but a trusted tablet, and there only for a few tries. */
final class PinRule {

    /** So many wrong ones in a row end the PIN. */
    static final int TRIES = 6;

    private static final Pattern FOUR = Pattern.compile("[0-9]{4}");
    private static final String UP = "01234567890";
    private static final String DOWN = "09876543210";

    private PinRule() {}

    /** @throws Refused at the field when it is not four digits, or among those tried first */
    static void check(String field, String pin) {
        if (!FOUR.matcher(pin).matches()) {
            throw Refused.entry(field, "DIGITS", "Take four digits.");
        }
        boolean same = pin.chars().distinct().count() == 1;
        if (same || UP.contains(pin) || DOWN.contains(pin)) {
            throw Refused.entry(
                    field, "TRIED_FIRST", "This is tried first. Take four digits that do not follow each other.");
        }
    }
}
