package undoknot.server.fluid;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.JdbcTemplate;
import undoknot.server.Api;
import undoknot.server.ServerTest;
import undoknot.server.account.Role;

@ServerTest
class LotTest {

    @Autowired
    Api api;

    @Autowired
    JdbcTemplate jdbc;

    ObjectNode bottle;
    String path;

    @BeforeEach
    void bottle() {
        api.as(Role.LEAD);
        path = "/api/lots/" + UUID.randomUUID();
        bottle = api.json.valueToTree(Map.of(
                "name",
                "Skiff cleaner",
                "kind",
                "AQUEOUS_CLEANER",
                "maker",
                "Nobody",
                "lotCode",
                "SK-" + UUID.randomUUID(),
                "foodSafe",
                false,
                "bottleMl",
                500,
                "remainingMl",
                500,
                "price",
                12.5));
    }

    @ParameterizedTest
    @CsvSource({
        "bottleMl, 0, A bottle holds at least 1 mL.",
        "remainingMl, -1, Enter 0 or more.",
        "remainingMl, 501, The bottle holds 500 mL at most.",
        "price, -0.5, Enter 0 or more.",
    })
    void a_wrong_number_is_named_in_its_place(String field, double value, String message) {
        assertThat(api.put(path, bottle.put(field, value)).is(422).messageAt(field))
                .isEqualTo(message);
    }

    @Test
    void bleach_is_no_kind() {
        assertThat(api.put(path, bottle.put("kind", "BLEACH")).is(400).messageAt("kind"))
                .isEqualTo("This value does not fit here.");
    }

    @Test
    void a_bottle_is_put_there_once_and_corrected_from_the_version_seen() {
        long version = api.put(path, bottle).is(200).body().path("version").asLong();
        assertThat(api.put(path, bottle).is(200).body().path("version").asLong())
                .isEqualTo(version);
        ObjectNode fuller = bottle.deepCopy().put("version", version).put("remainingMl", 480);
        api.put(path, fuller).is(200);
        ObjectNode stale = bottle.deepCopy().put("version", version).put("remainingMl", 300);
        assertThat(api.put(path, stale)
                        .is(409)
                        .body()
                        .at("/current/remainingMl")
                        .asDouble())
                .isEqualTo(480);
    }

    /** Whatever was drawn, put back or poured in vain stands in the ledger; so the bottles of the demo add up as well. */
    @Test
    void the_ledger_tells_every_millilitre_of_every_attempt() {
        List<Map<String, Object>> wrong = jdbc.queryForList(
                "select a.id, a.volume_ml, coalesce(sum(d.volume_ml), 0) drawn from attempt a left join lot_draw d on d.attempt_id = a.id"
                        + " where a.lot_id is not null group by a.id, a.volume_ml, a.withdrawn_reason, a.withdrawn_poured"
                        + " having drawn <> if(a.withdrawn_reason is null or a.withdrawn_poured, a.volume_ml, 0)");
        assertThat(wrong).isEmpty();
        assertThat(jdbc.queryForObject("select count(*) from lot_draw", Integer.class))
                .isPositive();
        assertThat(jdbc.queryForObject("select min(remaining_ml) from fluid_lot", BigDecimal.class))
                .isNotNegative();
    }
}
