package undoknot.server.account;

import com.nulabinc.zxcvbn.Zxcvbn;
import java.util.List;
import undoknot.server.problem.Refused;

/** What a password needs: length, and not to be among those that are tried first (lists and patterns of zxcvbn). */
final class PasswordRule {

    static final int LEAST = 10;
    /** bcrypt reads no more than 72 bytes. */
    static final int MOST_BYTES = 72;

    /** 2 of 4: more than a hundred million guesses. */
    private static final int LEAST_SCORE = 2;

    private static final Zxcvbn GUESSES = new Zxcvbn();

    private PasswordRule() {}

    /** @throws Refused on the entry {@code field} with what to do */
    static void check(String field, String password, String name, String displayName) {
        if (password.codePointCount(0, password.length()) < LEAST) {
            throw Refused.entry(field, "SHORT", "Take at least " + LEAST + " signs. Three words do well.");
        }
        if (password.getBytes(java.nio.charset.StandardCharsets.UTF_8).length > MOST_BYTES) {
            throw Refused.entry(field, "LONG", "Take at most " + MOST_BYTES + " signs.");
        }
        int score = GUESSES.measure(password, List.of(name, displayName, "undo", "knot", "printhead"))
                .getScore();
        if (score < LEAST_SCORE) {
            throw Refused.entry(
                    field,
                    "COMMON",
                    "This is among the first that are tried. Take several words that do not belong together.");
        }
    }
}
