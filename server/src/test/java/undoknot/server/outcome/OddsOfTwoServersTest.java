package undoknot.server.outcome;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import javax.sql.DataSource;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import undoknot.fluid.InkChemistry;
import undoknot.outcome.Cases;
import undoknot.server.Api;
import undoknot.server.ServerTest;
import undoknot.server.account.Role;
import undoknot.treatment.Method;

/** Two servers on one record: what one writes of past odds, the other counts within about a second. */
@ServerTest
class OddsOfTwoServersTest {

    @Autowired
    Api api;

    @Autowired
    Ledger here;

    @Autowired
    AttemptResults results;

    @Autowired
    JdbcTemplate jdbc;

    @Autowired
    DataSource database;

    private Ledger there;

    @BeforeEach
    void a_second_server() {
        api.as(Role.TECHNICIAN);
        there = new Ledger(results, new OddsChanges(jdbc));
    }

    /** Cases of all inks and numbers of the family that {@link Api#newVisit} takes in. */
    private static Cases cases(Ledger ledger) {
        var odds = ledger.odds("VENNICK-B3", InkChemistry.DYE, Method.STATION, 1);
        return odds.cell().plus(odds.family());
    }

    private long changes() {
        return jdbc.queryForObject("select count(*) from odds_change", Long.class);
    }

    private String treated() {
        String visit = api.newVisit();
        api.check(visit, id(), 60).is(200);
        Map<String, Object> handwork = Map.of("method", "STATION", "channels", List.of("C"));
        api.put(
                        "/api/visits/" + visit + "/attempts/" + id(),
                        Map.of("treatment", Map.of("kind", "HANDWORK", "handwork", handwork)))
                .is(200);
        return visit;
    }

    private static String id() {
        return UUID.randomUUID().toString();
    }

    @Test
    void what_one_server_wrote_the_other_counts_a_second_later_at_most() {
        String visit = treated();
        Cases before = cases(there);
        api.check(visit, id(), 0).is(200);
        assertThat(cases(here)).isEqualTo(before.plus(new Cases(1, 1)));
        await().untilAsserted(() -> assertThat(cases(there)).isEqualTo(cases(here)));
    }

    @Test
    void nothing_is_counted_anew_where_a_check_changes_no_result() {
        String visit = treated();
        api.check(visit, id(), 0).is(200);
        long before = changes();
        api.check(visit, id(), 0).is(200);
        assertThat(changes()).isEqualTo(before);
    }

    @Test
    void a_change_that_got_its_number_first_and_was_through_last_is_seen_as_well() throws SQLException {
        String insert = "insert into odds_change (method) values ('STATION')";
        OddsChanges.Stamp before;
        try (Connection slow = database.getConnection()) {
            slow.setAutoCommit(false);
            try (var statement = slow.createStatement()) {
                statement.executeUpdate(insert);
            }
            jdbc.update(insert);
            before = new OddsChanges(jdbc).of(Method.STATION);
            slow.commit();
            slow.setAutoCommit(true);
        }
        assertThat(new OddsChanges(jdbc).of(Method.STATION)).isNotEqualTo(before);
    }
}
