package undoknot.server.account;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import java.time.Clock;
import java.time.Duration;
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

    /** Browsers keep no cookie longer. */
    private static final Duration KEPT = Duration.ofDays(400);

    private final TabletRows rows;
    private final Clock clock;

    Tablets(TabletRows rows, Clock clock) {
        this.rows = rows;
        this.clock = clock;
    }

    /** The trusted device that asks; none when it has no cookie or a lead has ended the trust. */
    Optional<Tablet> of(HttpServletRequest request) {
        Cookie cookie = WebUtils.getCookie(request, COOKIE);
        return cookie == null || cookie.getValue().isBlank()
                ? Optional.empty()
                : rows.findByTokenHash(Secret.hash(cookie.getValue()));
    }

    Tablet mustBe(HttpServletRequest request) {
        return of(request).orElseThrow(() -> Refused.notFound("trusted tablet"));
    }

    List<Tablet> all() {
        return rows.findAllByOrderByTrustedAtDesc();
    }

    /** Trusts the device that asks. @return the cookie by which it is known */
    ResponseCookie trust(HttpServletRequest request, String name, String by) {
        String token = Secret.draw();
        // Trusted once more, it has one name, the new one.
        of(request).ifPresent(rows::delete);
        rows.save(new Tablet(UUID.randomUUID(), name.strip(), Secret.hash(token), by, clock.instant()));
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
}
