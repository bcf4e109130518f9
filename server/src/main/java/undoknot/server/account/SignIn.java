package undoknot.server.account;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Locale;
import java.util.Optional;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import undoknot.server.problem.Refused;

/** Checks a name and a password; some wrong tries lock the account for some minutes. */
@Component
class SignIn {

    private final AppUsers users;
    private final PasswordEncoder passwords;
    private final Clock clock;
    private final int lockAfter;
    private final Duration lockFor;
    private final String nobodysHash;

    SignIn(
            AppUsers users,
            PasswordEncoder passwords,
            Clock clock,
            @Value("${undoknot.lock-after}") int lockAfter,
            @Value("${undoknot.lock-for}") Duration lockFor) {
        this.users = users;
        this.passwords = passwords;
        this.clock = clock;
        this.lockAfter = lockAfter;
        this.lockFor = lockFor;
        this.nobodysHash = passwords.encode("nobody");
    }

    /** The counting of wrong tries must stand although the request is refused. */
    @Transactional(noRollbackFor = Refused.class)
    public SignedIn with(String name, String password) {
        Optional<AppUser> found = users.lockByName(name.strip().toLowerCase(Locale.ROOT));
        if (found.isEmpty()) {
            // An unknown name takes as long as a known one, so that names cannot be tried out.
            passwords.matches(password, nobodysHash);
            throw wrong();
        }
        AppUser user = found.get();
        Instant now = clock.instant();
        if (user.lockedUntil != null && now.isBefore(user.lockedUntil)) {
            throw locked(user.lockedUntil);
        }
        if (!passwords.matches(password, user.passwordHash)) {
            user.wrongTries++;
            if (user.wrongTries >= lockAfter) {
                user.wrongTries = 0;
                user.lockedUntil = now.plus(lockFor);
                throw locked(user.lockedUntil);
            }
            throw wrong();
        }
        user.wrongTries = 0;
        user.lockedUntil = null;
        return new SignedIn(user.name, user.displayName, user.role);
    }

    private static Refused wrong() {
        return Refused.because(
                HttpStatus.UNAUTHORIZED,
                "wrong-sign-in",
                "Name and password do not go together. Check both and try again.");
    }

    private Refused locked(Instant until) {
        return Refused.because(
                        HttpStatus.LOCKED,
                        "locked",
                        "Too many wrong tries: this account rests for " + lockFor.toMinutes()
                                + " minutes. Wait, or ask the lead.")
                .with("lockedUntil", until);
    }
}
