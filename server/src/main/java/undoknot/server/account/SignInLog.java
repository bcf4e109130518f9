package undoknot.server.account;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.lang.Nullable;
import org.springframework.stereotype.Component;
import undoknot.server.write.Utc;

/** Who signed in when and from where, and what a lead did to an account. Nothing of it is changed later. */
@Component
class SignInLog {

    /** @param by who did it, where it was not the person */
    record SignInEntry(
            Instant at,
            String name,
            String address,
            SignInEvent what,
            @Nullable String by) {}

    private static final int SHOWN = 200;
    private static final int NAME = 60;

    private final JdbcTemplate jdbc;
    private final Clock clock;

    SignInLog(JdbcTemplate jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    void add(String name, String address, SignInEvent what, String by) {
        jdbc.update(
                "insert into sign_in_log (at, name, address, what, by_whom) values (?, ?, ?, ?, ?)",
                Utc.of(clock.instant()),
                name.substring(0, Math.min(NAME, name.length())),
                address,
                what.name(),
                by);
    }

    /** The newest first. */
    List<SignInEntry> last() {
        return jdbc.query(
                "select at, name, address, what, by_whom from sign_in_log order by id desc limit " + SHOWN,
                (row, n) -> new SignInEntry(
                        Utc.at(row, 1),
                        row.getString(2),
                        row.getString(3),
                        SignInEvent.valueOf(row.getString(4)),
                        row.getString(5)));
    }
}
