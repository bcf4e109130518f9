package undoknot.server.account;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.springframework.http.HttpStatus;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import undoknot.server.problem.Refused;

/**
 * Checks a name and a password. Hashing takes a core for a tenth of a second: it is done outside of any transaction and a few
 * at a time, so that a flood of sign-ins keeps neither the record nor the bench from anybody.
 */
@Component
class SignIn {

    private static final int AT_ONCE = 2;
    private static final int PATIENCE_S = 8;

    private final AppUsers users;
    private final PasswordEncoder passwords;
    private final WrongTries tries;
    private final SignInLog log;
    private final TransactionTemplate transaction;
    private final Clock clock;
    private final String nobodysHash;
    private final Semaphore hashing = new Semaphore(AT_ONCE, true);

    SignIn(
            AppUsers users,
            PasswordEncoder passwords,
            WrongTries tries,
            SignInLog log,
            TransactionTemplate transaction,
            Clock clock) {
        this.users = users;
        this.passwords = passwords;
        this.tries = tries;
        this.log = log;
        this.transaction = transaction;
        this.clock = clock;
        this.nobodysHash = passwords.encode("nobody");
    }

    /**
     * @param typed name as typed
     * @param password or the one-time code, which only opens the choice of a password
     * @param chosen the password chosen with a one-time code; null otherwise
     * @param address from where
     */
    SignedIn with(String typed, String password, String chosen, String address) {
        String name = typed.strip().toLowerCase(Locale.ROOT);
        tries.waitUntil(name, address).ifPresent(until -> {
            log.add(name, address, SignInEvent.TOO_MANY, null);
            throw wait(until);
        });
        Optional<AppUser> found = users.findByName(name);
        AppUser user = found.orElse(null);
        // An unknown name takes as long as a known one, so that names cannot be tried out.
        boolean right = hashed(() -> passwords.matches(password, user == null ? nobodysHash : user.passwordHash));
        boolean byCode = user != null
                && !right
                && user.codeHash != null
                && clock.instant().isBefore(user.codeUntil)
                && hashed(() -> passwords.matches(OneTimeCode.plain(password), user.codeHash));
        if (user == null || !right && !byCode) {
            log.add(name, address, SignInEvent.WRONG, null);
            Optional<Instant> until = tries.count(name, address);
            throw until.map(this::wait).orElseGet(SignIn::wrong);
        }
        if (user.locked) {
            log.add(name, address, SignInEvent.LOCKED_OUT, null);
            throw Refused.because(
                    HttpStatus.FORBIDDEN, "locked", "This account is locked. Ask a lead of the shop to open it.");
        }
        tries.clear(name, address);
        if (byCode) {
            return choose(user, chosen, address);
        }
        log.add(name, address, SignInEvent.SIGNED_IN, null);
        return new SignedIn(user.name, user.displayName, user.role);
    }

    private SignedIn choose(AppUser user, String chosen, String address) {
        if (chosen == null || chosen.isEmpty()) {
            throw Refused.because(
                    HttpStatus.CONFLICT,
                    "choose-password",
                    "The code is right. Choose a password of your own; the code ends with it.");
        }
        PasswordRule.check("chosen", chosen, user.name, user.displayName);
        String hash = hashed(() -> passwords.encode(chosen));
        boolean first = Boolean.TRUE.equals(transaction.execute(status -> {
            AppUser row = users.lockByName(user.name).orElseThrow();
            boolean stillOut = user.codeHash.equals(row.codeHash);
            if (stillOut) {
                newPassword(row, hash);
                row.codeHash = null;
                row.codeUntil = null;
                users.save(row);
            }
            return stillOut;
        }));
        if (!first) {
            throw wrong();
        }
        log.add(user.name, address, SignInEvent.CODE_USED, null);
        return new SignedIn(user.name, user.displayName, user.role);
    }

    /** Whoever knew the old password may have chosen the PIN: it ends as well. */
    private static void newPassword(AppUser row, String hash) {
        row.passwordHash = hash;
        row.pinHash = null;
        row.pinWrong = 0;
    }

    /** Sets another password for somebody who knows the present one. */
    void change(String name, String present, String chosen, String address) {
        AppUser user = mustBePresent(name, present, address);
        PasswordRule.check("chosen", chosen, user.name, user.displayName);
        String hash = hashed(() -> passwords.encode(chosen));
        transaction.executeWithoutResult(status -> {
            AppUser row = users.lockByName(name).orElseThrow(() -> Refused.notFound("account"));
            newPassword(row, hash);
            users.save(row);
        });
        log.add(name, address, SignInEvent.PASSWORD_CHOSEN, null);
    }

    /** @throws Refused on the entry {@code present} when it is not the password of this person */
    AppUser mustBePresent(String name, String present, String address) {
        AppUser user = users.findByName(name).orElseThrow(() -> Refused.notFound("account"));
        tries.waitUntil(name, address).ifPresent(until -> {
            throw wait(until);
        });
        if (!hashed(() -> passwords.matches(present, user.passwordHash))) {
            tries.count(name, address);
            throw Refused.entry("present", "WRONG", "This is not your password. Type the one you signed in with.");
        }
        return user;
    }

    <T> T hashed(java.util.function.Supplier<T> work) {
        try {
            if (!hashing.tryAcquire(PATIENCE_S, TimeUnit.SECONDS)) {
                throw Refused.because(
                        HttpStatus.SERVICE_UNAVAILABLE,
                        "busy",
                        "Many are signing in at this moment. Wait a few seconds and try again.");
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("interrupted at sign-in", e);
        }
        try {
            return work.get();
        } finally {
            hashing.release();
        }
    }

    private static Refused wrong() {
        return Refused.because(
                HttpStatus.UNAUTHORIZED,
                "wrong-sign-in",
                "Name and password do not go together. Check both and try again.");
    }

    private Refused wait(Instant until) {
        long seconds = Math.max(
                1, Duration.between(clock.instant(), until).plusMillis(999).toSeconds());
        String time = seconds < 90 ? seconds + " seconds" : (seconds + 59) / 60 + " minutes";
        return Refused.because(
                        HttpStatus.TOO_MANY_REQUESTS,
                        "too-many-tries",
                        "Too many wrong tries here. Wait " + time + ", or ask a lead for a new code.")
                .with("waitUntil", until);
    }
}
