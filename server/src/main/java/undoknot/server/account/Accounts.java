package undoknot.server.account;

import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import java.util.regex.Pattern;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import undoknot.server.problem.Refused;
import undoknot.server.write.RepeatableWrite;

/** The people of a shop, as a lead keeps them: added, given a role, locked, opened, given a code for a new password. */
@Component
class Accounts {

    /** Within which a code is to be used. */
    private static final Duration CODE_LASTS = Duration.ofDays(3);

    private static final Pattern NAME = Pattern.compile("[a-z0-9][a-z0-9._-]{1,39}");

    private final AppUsers users;
    private final PasswordEncoder passwords;
    private final RepeatableWrite writes;
    private final WrongTries tries;
    private final SignInLog log;
    private final JdbcTemplate jdbc;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    Accounts(
            AppUsers users,
            PasswordEncoder passwords,
            RepeatableWrite writes,
            WrongTries tries,
            SignInLog log,
            JdbcTemplate jdbc,
            Clock clock) {
        this.users = users;
        this.passwords = passwords;
        this.writes = writes;
        this.tries = tries;
        this.log = log;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    List<AppUser> all() {
        return users.findAll().stream()
                .sorted(java.util.Comparator.comparing(u -> u.name))
                .toList();
    }

    static String name(String field, String typed) {
        String name = typed.strip().toLowerCase(Locale.ROOT);
        if (!NAME.matcher(name).matches()) {
            throw Refused.entry(
                    field, "SIGNS", "Take 2 to 40 letters from a to z, digits, points or hyphens, such as wenna.t.");
        }
        return name;
    }

    /** Adds a person; gives the code with which the first password is chosen. */
    String add(String typed, String displayName, Role role, Actor by) {
        String name = name("name", typed);
        String code = OneTimeCode.draw(random);
        String hash = passwords.encode(OneTimeCode.plain(code));
        // Nobody knows this password: without the code there is no way in.
        String noPassword = passwords.encode(OneTimeCode.draw(random) + OneTimeCode.draw(random));
        writes.run(() -> {
            if (users.lockByName(name).isPresent()) {
                throw Refused.entry("name", "TAKEN", "Somebody has this name already. Take another.");
            }
            AppUser user = new AppUser(UUID.randomUUID(), name, displayName.strip(), noPassword, role);
            user.codeHash = hash;
            user.codeUntil = clock.instant().plus(CODE_LASTS);
            return users.saveAndFlush(user);
        });
        log.add(name, by.address(), SignInEvent.ADDED, by.name());
        return code;
    }

    /** Another name on paper, another role; whoever is signed in with the old role signs in anew. */
    void change(String name, String displayName, Role role, Actor by) {
        boolean otherRole = writes.run(() -> {
            AppUser user = locked(name);
            boolean other = user.role != role;
            if (other) {
                mustLeaveALead(user);
            }
            user.displayName = displayName.strip();
            user.role = role;
            users.saveAndFlush(user);
            return other;
        });
        log.add(name, by.address(), SignInEvent.CHANGED, by.name());
        if (otherRole) {
            endSessions(name);
        }
    }

    void lock(String name, boolean shut, Actor by) {
        writes.run(() -> {
            AppUser user = locked(name);
            if (shut) {
                mustLeaveALead(user);
            }
            user.locked = shut;
            return users.saveAndFlush(user);
        });
        tries.clearEverywhere(name);
        log.add(name, by.address(), shut ? SignInEvent.LOCKED : SignInEvent.UNLOCKED, by.name());
        if (shut) {
            endSessions(name);
        }
    }

    /** A code for a new password. The old password goes on until the code is used. */
    String newCode(String name, Actor by) {
        String code = OneTimeCode.draw(random);
        String hash = passwords.encode(OneTimeCode.plain(code));
        writes.run(() -> {
            AppUser user = locked(name);
            user.codeHash = hash;
            user.codeUntil = clock.instant().plus(CODE_LASTS);
            return users.saveAndFlush(user);
        });
        tries.clearEverywhere(name);
        log.add(name, by.address(), SignInEvent.CODE_GIVEN, by.name());
        return code;
    }

    void signOutEverywhere(String name, Actor by) {
        users.findByName(name).orElseThrow(() -> Refused.notFound("account"));
        endSessions(name);
        log.add(name, by.address(), SignInEvent.ENDED_EVERYWHERE, by.name());
    }

    /** Spring Session keeps with each session whose it is. */
    private void endSessions(String name) {
        jdbc.update("delete from SPRING_SESSION where principal_name = ?", name);
    }

    /** Ends the sessions of someone who was locked, or given another role, while signing in. */
    void endIfNoLonger(SignedIn person) {
        boolean stands = users.findByName(person.name())
                .filter(u -> !u.locked && u.role == person.role())
                .isPresent();
        if (!stands) {
            endSessions(person.name());
        }
    }

    /** After a new password whoever came in with the old one is out; the one who chose it goes on. */
    void signOutElsewhere(String name, String session) {
        jdbc.update("delete from SPRING_SESSION where principal_name = ? and session_id <> ?", name, session);
    }

    private AppUser locked(String name) {
        return users.lockByName(name).orElseThrow(() -> Refused.notFound("account"));
    }

    /** All leads are locked, so that two do not take the role from each other at once. */
    private void mustLeaveALead(AppUser but) {
        boolean another = users.lockByRole(Role.LEAD).stream().anyMatch(u -> !u.locked && !u.id.equals(but.id));
        if (but.role == Role.LEAD && !another) {
            throw Refused.because(
                    HttpStatus.CONFLICT,
                    "last-lead",
                    "This is the only lead who can sign in. Make somebody else a lead first.");
        }
    }

    /** Who does it, and from where. */
    record Actor(String name, String address) {}

    /** The first account of an empty shop, a lead. */
    AppUser first(String typed, String displayName, String password) {
        String name = name("name", typed);
        PasswordRule.check("password", password, name, displayName);
        String hash = passwords.encode(password);
        return writes.run(() -> {
            if (users.count() > 0) {
                throw Refused.because(
                        HttpStatus.CONFLICT, "not-empty", "The first account is there already. Sign in with it.");
            }
            // Of two who are first at once, one finds the other's row: the key is the same for both.
            UUID one = UUID.nameUUIDFromBytes("first".getBytes(java.nio.charset.StandardCharsets.US_ASCII));
            return users.saveAndFlush(new AppUser(one, name, displayName.strip(), hash, Role.LEAD));
        });
    }

    boolean isEmpty() {
        return users.count() == 0;
    }

    Instant codeUntil(AppUser user) {
        return user.codeUntil != null && clock.instant().isBefore(user.codeUntil) ? user.codeUntil : null;
    }
}
