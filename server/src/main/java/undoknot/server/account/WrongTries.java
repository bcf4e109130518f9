package undoknot.server.account;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import undoknot.server.write.Utc;

/**
 * Wrong tries cost the one who makes them a growing wait: by name and address, so that a stranger elsewhere keeps nobody out
 * of the own account, and by address for all names together. A name that nobody has is counted the same.
 */
@Component
class WrongTries {

    /** So many are free; a person mistypes. */
    private static final int FREE = 4;

    /** A whole shop may stand behind one address: many are free, and its longest wait is short. */
    private static final int FREE_OF_AN_ADDRESS = 100;

    private static final Duration FIRST_WAIT = Duration.ofSeconds(15);
    static final Duration LONGEST_WAIT = Duration.ofMinutes(15);
    static final Duration LONGEST_OF_AN_ADDRESS = Duration.ofMinutes(1);
    private static final Duration FORGOTTEN_AFTER = Duration.ofHours(12);
    private static final String ANY_NAME = "";
    private static final int NAME = 60;

    private final JdbcTemplate jdbc;
    private final Clock clock;

    WrongTries(JdbcTemplate jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** Until when this name has to wait at this address. */
    Optional<Instant> waitUntil(String name, String address) {
        List<Instant> waits = jdbc.query(
                "select wait_until from sign_in_try where address = ? and name in (?, ?) and wait_until > ?",
                (row, n) -> Utc.at(row, 1),
                address,
                cut(name),
                ANY_NAME,
                Utc.of(clock.instant()));
        return waits.stream().max(Instant::compareTo);
    }

    /** Counts a wrong try; gives until when to wait, if at all. */
    Optional<Instant> count(String name, String address) {
        forget();
        Optional<Instant> own = count(cut(name), address, FREE, LONGEST_WAIT);
        Optional<Instant> all = count(ANY_NAME, address, FREE_OF_AN_ADDRESS, LONGEST_OF_AN_ADDRESS);
        return own.isEmpty() ? all : own;
    }

    private Optional<Instant> count(String name, String address, int free, Duration longest) {
        Instant now = clock.instant();
        jdbc.update(
                "insert into sign_in_try (name, address, wrong, last_at) values (?, ?, 1, ?)"
                        + " on duplicate key update wrong = wrong + 1, last_at = value(last_at)",
                name,
                address,
                Utc.of(now));
        Integer wrong = jdbc.queryForObject(
                "select wrong from sign_in_try where name = ? and address = ?", Integer.class, name, address);
        Duration wait = waitAfter(wrong == null ? 0 : wrong, free, longest);
        if (wait.isZero()) {
            return Optional.empty();
        }
        Instant until = now.plus(wait);
        jdbc.update(
                "update sign_in_try set wait_until = ? where name = ? and address = ?", Utc.of(until), name, address);
        return Optional.of(until);
    }

    /** None for the first, then 15 s, doubled with each further one up to the longest. */
    static Duration waitAfter(int wrong, int free, Duration longest) {
        if (wrong <= free) {
            return Duration.ZERO;
        }
        int doublings = Math.min(10, wrong - free - 1);
        Duration wait = FIRST_WAIT.multipliedBy(1L << doublings);
        return wait.compareTo(longest) > 0 ? longest : wait;
    }

    /** A right one, or a lead, clears what was counted of a name here. */
    void clear(String name, String address) {
        jdbc.update("delete from sign_in_try where name = ? and address = ?", cut(name), address);
    }

    void clearEverywhere(String name) {
        jdbc.update("delete from sign_in_try where name = ?", cut(name));
    }

    private void forget() {
        jdbc.update(
                "delete from sign_in_try where last_at < ?",
                Utc.of(clock.instant().minus(FORGOTTEN_AFTER)));
    }

    private static String cut(String name) {
        return name.substring(0, Math.min(NAME, name.length()));
    }
}
