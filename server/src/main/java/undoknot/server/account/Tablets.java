package undoknot.server.account;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.util.Base64;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.ResponseCookie;
import org.springframework.stereotype.Component;
import org.springframework.web.util.WebUtils;
import undoknot.server.problem.Refused;

/** Which devices are trusted for changing over by PIN: a lead says so at the device itself, and can take it back from anywhere. */
@Component
class Tablets {

    private static final String COOKIE = "TABLET";
    private static final int SECRET_BYTES = 32;

    /** Browsers keep no cookie longer. */
    private static final Duration KEPT = Duration.ofDays(400);

    private final TabletRows rows;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    Tablets(TabletRows rows, Clock clock) {
        this.rows = rows;
        this.clock = clock;
    }

    /** The trusted device that asks; none when it has no cookie or a lead has ended the trust. */
    Optional<Tablet> of(HttpServletRequest request) {
        Cookie cookie = WebUtils.getCookie(request, COOKIE);
        return cookie == null || cookie.getValue().isBlank()
                ? Optional.empty()
                : rows.findByTokenHash(hash(cookie.getValue()));
    }

    Tablet mustBe(HttpServletRequest request) {
        return of(request).orElseThrow(() -> Refused.notFound("trusted tablet"));
    }

    List<Tablet> all() {
        return rows.findAllByOrderByTrustedAtDesc();
    }

    /** Trusts the device that asks. @return the cookie by which it is known */
    ResponseCookie trust(HttpServletRequest request, String name, String by) {
        byte[] secret = new byte[SECRET_BYTES];
        random.nextBytes(secret);
        String token = Base64.getUrlEncoder().withoutPadding().encodeToString(secret);
        // Trusted once more, it has one name, the new one.
        of(request).ifPresent(rows::delete);
        rows.save(new Tablet(UUID.randomUUID(), name.strip(), hash(token), by, clock.instant()));
        return ResponseCookie.from(COOKIE, token)
                .httpOnly(true)
                .secure(request.isSecure())
                .sameSite("Strict")
                .path("/")
                .maxAge(KEPT)
                .build();
    }

    void end(UUID id) {
        rows.deleteById(id);
    }

    private static String hash(String token) {
        try {
            byte[] sum = MessageDigest.getInstance("SHA-256").digest(token.getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(sum);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("SHA-256 is part of every Java", e);
        }
    }
}
