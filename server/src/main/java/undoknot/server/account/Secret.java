package undoknot.server.account;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.util.Base64;
import java.util.HexFormat;

/** A long secret that opens something without a sign-in: shown once, kept hashed. It has 256 bits, so that a quick hash is enough. */
public final class Secret {

    private static final int BYTES = 32;
    private static final SecureRandom RANDOM = new SecureRandom();

    private Secret() {}

    public static String draw() {
        byte[] secret = new byte[BYTES];
        RANDOM.nextBytes(secret);
        return Base64.getUrlEncoder().withoutPadding().encodeToString(secret);
    }

    /** SHA-256, hexadecimal. */
    public static String hash(String secret) {
        try {
            byte[] sum = MessageDigest.getInstance("SHA-256").digest(secret.getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(sum);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("SHA-256 is part of every Java", e);
        }
    }
}
