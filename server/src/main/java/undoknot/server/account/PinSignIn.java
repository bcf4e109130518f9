package undoknot.server.account;

import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import undoknot.server.problem.Refused;

/**
 * Changing over by PIN at a trusted tablet. A PIN has ten thousand values, so it is worth something only where a lead has trusted the
 * device, and ends after {@link PinRule#TRIES} wrong tries in a row: the next sign-in is by password.
 */
@Component
class PinSignIn {

    private final AppUsers users;
    private final PasswordEncoder passwords;
    private final SignIn signIn;
    private final SignInLog log;
    private final TransactionTemplate transaction;

    PinSignIn(
            AppUsers users, PasswordEncoder passwords, SignIn signIn, SignInLog log, TransactionTemplate transaction) {
        this.users = users;
        this.passwords = passwords;
        this.signIn = signIn;
        this.log = log;
        this.transaction = transaction;
    }

    /** Who can change over by PIN. */
    List<AppUser> people() {
        return users.findAll().stream()
                .filter(u -> u.pinHash != null && !u.locked)
                .sorted(java.util.Comparator.comparing(u -> u.displayName))
                .toList();
    }

    /**
     * @param tablet at which it was typed
     * @throws Refused on the entry {@code pin} when it is wrong, with how many tries are left
     */
    SignedIn with(String name, String pin, Tablet tablet, String address) {
        Optional<AppUser> found = users.findByName(name).filter(u -> u.pinHash != null && !u.locked);
        if (found.isEmpty()) {
            throw none();
        }
        String hash = found.get().pinHash;
        // Counted before it is looked at: of many sent at once, no more are looked at than are free.
        int wrong = transaction.execute(status -> {
            AppUser row = users.lockByName(name).orElseThrow(PinSignIn::none);
            if (!hash.equals(row.pinHash) || row.pinWrong >= PinRule.TRIES) {
                throw none();
            }
            row.pinWrong++;
            users.save(row);
            return row.pinWrong;
        });
        boolean right = signIn.hashed(() -> passwords.matches(pin, hash));
        transaction.executeWithoutResult(status -> {
            AppUser row = users.lockByName(name).orElseThrow(PinSignIn::none);
            if (right) {
                row.pinWrong = 0;
            } else if (wrong >= PinRule.TRIES && hash.equals(row.pinHash)) {
                row.pinHash = null;
                row.pinWrong = 0;
            }
            users.save(row);
        });
        if (!right) {
            log.add(name, address, SignInEvent.WRONG, tablet.name);
            int left = PinRule.TRIES - wrong;
            throw left <= 0 ? none() : Refused.entry("pin", "WRONG", "This is not the PIN. " + tries(left) + " left.");
        }
        log.add(name, address, SignInEvent.BY_PIN, tablet.name);
        AppUser user = found.get();
        return new SignedIn(user.name, user.displayName, user.role);
    }

    private static String tries(int left) {
        return left == 1 ? "One try is" : left + " tries are";
    }

    /** @param pin null to have none from now on */
    void keep(String name, String present, String pin, String address) {
        signIn.mustBePresent(name, present, address);
        if (pin != null) {
            PinRule.check("pin", pin);
        }
        String hash = pin == null ? null : signIn.hashed(() -> passwords.encode(pin));
        transaction.executeWithoutResult(status -> {
            AppUser row = users.lockByName(name).orElseThrow(() -> Refused.notFound("account"));
            row.pinHash = hash;
            row.pinWrong = 0;
            users.save(row);
        });
        log.add(name, address, pin == null ? SignInEvent.PIN_ENDED : SignInEvent.PIN_CHOSEN, null);
    }

    private static Refused none() {
        return Refused.because(
                HttpStatus.CONFLICT,
                "no-pin",
                "There is no PIN for this name now. Sign in with the password, and choose a PIN under your name.");
    }
}
