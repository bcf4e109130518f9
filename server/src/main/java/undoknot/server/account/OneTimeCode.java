package undoknot.server.account;

import java.security.SecureRandom;
import java.util.Locale;

/** A code that is said aloud or written on a slip: twelve signs in threes, none of which is taken for another. 60 bits. */
final class OneTimeCode {

    private static final String SIGNS = "ABCDEFGHJKLMNPQRSTUVWXYZ23456789";
    private static final int LENGTH = 12;
    private static final int GROUP = 4;

    private OneTimeCode() {}

    static String draw(SecureRandom random) {
        StringBuilder code = new StringBuilder();
        for (int i = 0; i < LENGTH; i++) {
            if (i > 0 && i % GROUP == 0) {
                code.append('-');
            }
            code.append(SIGNS.charAt(random.nextInt(SIGNS.length())));
        }
        return code.toString();
    }

    /** As it is compared: without what hands add or leave out. */
    static String plain(String typed) {
        return typed.toUpperCase(Locale.ROOT).replaceAll("[^A-Z0-9]", "");
    }
}
