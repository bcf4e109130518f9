package undoknot.head;

import java.util.Locale;
import java.util.Optional;
import java.util.random.RandomGenerator;

/**
 * The short code tied to a head: four signs and a check sign, read aloud and typed with wet gloves. Signs that look
 * alike (0 O, 1 I L, 2 Z, 5 S, 8 B, U V) are left out. The check sign makes the weighted sum of all five a multiple of
 * 23; since 23 is prime and all weights differ, every single wrong sign and every swap of two signs is found.
 */
public record Tag(String code) {

    static final String SIGNS = "34679ACDEFGHJKMNPQRTWXY";
    private static final int N = SIGNS.length();
    private static final int BODY = 4;

    public Tag {
        if (!isValid(code)) {
            throw new IllegalArgumentException("not a tag code: " + code);
        }
    }

    /** A random tag; the caller sees to it that it is free. */
    public static Tag draw(RandomGenerator random) {
        StringBuilder body = new StringBuilder();
        for (int i = 0; i < BODY; i++) {
            body.append(SIGNS.charAt(random.nextInt(N)));
        }
        return new Tag(body.append(checkSign(body)).toString());
    }

    /** Reads what a person or a scanner typed: case and blanks do not matter. Empty when it is no tag. */
    public static Optional<Tag> read(String typed) {
        String code = typed == null ? "" : typed.replaceAll("[\\s-]", "").toUpperCase(Locale.ROOT);
        return isValid(code) ? Optional.of(new Tag(code)) : Optional.empty();
    }

    private static boolean isValid(String code) {
        return code != null
                && code.length() == BODY + 1
                && code.chars().allMatch(sign -> SIGNS.indexOf(sign) >= 0)
                && code.charAt(BODY) == checkSign(code.subSequence(0, BODY));
    }

    /** Weights are 2, 3, 4, 5 from the left and 1 for the check sign itself. */
    private static char checkSign(CharSequence body) {
        int sum = 0;
        for (int i = 0; i < BODY; i++) {
            sum += (i + 2) * SIGNS.indexOf(body.charAt(i));
        }
        return SIGNS.charAt((N - sum % N) % N);
    }
}
