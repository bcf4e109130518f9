package undoknot.server.visit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.fasterxml.jackson.databind.json.JsonMapper;
import java.math.BigDecimal;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.MigrationVersion;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import undoknot.head.Channel;
import undoknot.head.Family;
import undoknot.head.Machine;
import undoknot.head.StarterFamilies;
import undoknot.server.write.StoredJson;
import undoknot.treatment.Method;
import undoknot.treatment.Stroke;
import undoknot.treatment.Treatment;

/** What was logged before a migration is there after it: rows as the program of then wrote them, read by that of today. */
class MigrationTest {

    private static final String URL =
            System.getenv("UNDOKNOT_DB_URL").replaceFirst("/undoknot$", "/undoknot_migration");
    private static final StoredJson JSON =
            new StoredJson(JsonMapper.builder().findAndAddModules().build());
    private static Connection database;

    @BeforeAll
    static void a_shop_of_version_4() throws SQLException {
        flyway("4").clean();
        flyway("4").migrate();
        database = DriverManager.getConnection(
                URL, System.getenv("UNDOKNOT_DB_USER"), System.getenv("UNDOKNOT_DB_PASSWORD"));
        sql("set foreign_key_checks = 0");
        logged().forEach(args -> insert((String) args.get()[0], (String) args.get()[1]));
        sql("insert into step_clock (id, version, visit_id, kind, started_at, started_by, planned_seconds, note) values"
                + " (uuid(), 0, uuid(), 'HOLD', now(), 'a', 60, 'BODY ended early: dry all through'),"
                + " (uuid(), 0, uuid(), 'HOLD', now(), 'b', 60, 'BASE_ONLY'),"
                + " (uuid(), 0, uuid(), 'SOAK', now(), 'c', 60, '')");
        for (Family family : StarterFamilies.ALL) {
            sql("insert into family (code, name, definition) values ('" + family.code() + "', '" + family.name()
                    + "', '"
                    + OLD_FAMILY
                            .replace("CODE", family.code())
                            .replace("BUILT", family.construction().name())
                    + "')");
        }
        sql("insert into house_rules (id, number, definition, why, made_at, made_by) values (uuid(), 1, '"
                + "{\"answers\":{\"CYCLES_FIRST\":\"NONE\"},\"priors\":{},\"limits\":{},\"ratePerHour\":40,\"riskShare\":0.3,"
                + "\"partPrices\":{\"DAMPER\":14.5},\"cycleInkMl\":{\"ORSEL-D6\":{\"LIGHT\":1.2}}}', 'w', now(), 'a')");
        flyway("latest").migrate();
    }

    private static final String OLD_FAMILY =
            "{\"code\":\"CODE\",\"name\":\"N\",\"construction\":\"BUILT\",\"channels\":[{\"code\":\"K\",\"colour\":\"Black\",\"ink\":\"#22252b\","
                    + "\"port\":\"post, drops only\",\"nozzles\":12}],\"stairs\":4,\"steps\":3,\"driveGroups\":2,\"boreUm\":20.0,"
                    + "\"plateUm\":30.0,\"freeCarriage\":[\"mains off\"],\"ownLimits\":null}";

    /** Families, part prices and ink of a cycle are there after it; what was not known then says so now. */
    @Test
    void families_parts_and_prices_are_read_as_they_were() throws SQLException {
        var json = JsonMapper.builder().findAndAddModules().build();
        try (Statement s = database.createStatement();
                ResultSet row = s.executeQuery("select code, version, definition from family")) {
            int families = 0;
            while (row.next()) {
                Family family = JSON.read(row.getString("definition"), Family.class);
                assertThat(family.code()).isEqualTo(row.getString("code"));
                assertThat(family.channels().get(0).fitting()).isEqualTo(Channel.Fitting.DROPS_ONLY);
                assertThat(family.machine()).isEqualTo(Machine.UNKNOWN);
                assertThat(row.getLong("version")).isZero();
                families++;
            }
            assertThat(families).isEqualTo(StarterFamilies.ALL.size());
        }
        try (Statement s = database.createStatement();
                ResultSet row = s.executeQuery("select definition from house_rules")) {
            assertThat(row.next()).isTrue();
            var book = json.readTree(row.getString("definition"));
            assertThat(book.at("/partPrices/DAMPER").asDouble()).isEqualTo(14.5);
            assertThat(book.at("/cycleInkMl/ORSEL-D6/LIGHT").asDouble()).isEqualTo(1.2);
        } catch (com.fasterxml.jackson.core.JsonProcessingException e) {
            throw new AssertionError(e);
        }
    }

    @AfterAll
    static void close() throws SQLException {
        database.close();
    }

    private static Flyway flyway(String version) {
        return Flyway.configure()
                .dataSource(URL, System.getenv("UNDOKNOT_DB_USER"), System.getenv("UNDOKNOT_DB_PASSWORD"))
                .locations("classpath:db/migration")
                .target(MigrationVersion.fromVersion(version))
                .cleanDisabled(false)
                .load();
    }

    private static void sql(String statement) throws SQLException {
        try (Statement s = database.createStatement()) {
            s.execute(statement);
        }
    }

    private static void insert(String kind, String details) {
        try {
            sql(
                    "insert into attempt (id, version, visit_id, kind, details, volume_ml, started_at, started_by, note) values"
                            + " (uuid(), 0, uuid(), '" + kind + "', '" + details + "', 3, now(), '" + kind + "', '')");
            sql("insert into revision (changed_at, changed_by) values (1, 'x')");
            sql("insert into attempt_aud (id, rev, revtype, kind, details) values ('" + UUID.randomUUID()
                    + "', last_insert_id(), 0, '" + kind + "', '" + details + "')");
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    private static Set<String> channels(String... codes) {
        return new LinkedHashSet<>(List.of(codes));
    }

    static Stream<Arguments> logged() {
        return Stream.of(
                Arguments.of(
                        "FLUSH",
                        "{\"kind\":\"FLUSH\",\"flush\":{\"strokes\":[{\"channel\":\"K\",\"volumeMl\":2.50,\"seconds\":10.0,"
                                + "\"resistance\":\"STIFF\",\"effluent\":\"TINTED\",\"stream\":\"DRIPS\"}],\"temperatureC\":22.0}}",
                        new Treatment.Flush(
                                List.of(new Stroke(
                                        "K",
                                        new BigDecimal("2.50"),
                                        10,
                                        Treatment.Resistance.STIFF,
                                        Treatment.Effluent.TINTED,
                                        Treatment.Stream.DRIPS)),
                                22)),
                Arguments.of(
                        "SOAK",
                        "{\"kind\":\"SOAK\",\"soak\":{\"place\":\"TRAY\",\"channels\":[\"M\",\"C\"],\"volumeMl\":25,\"plannedMinutes\":40}}",
                        new Treatment.Soak(Treatment.Place.TRAY, channels("M", "C"), new BigDecimal("25"), 40)),
                Arguments.of(
                        "BATH",
                        "{\"kind\":\"BATH\",\"bath\":{\"channels\":[\"C\"],\"volumeMl\":150,\"levelMm\":2.5,\"temperatureC\":35.0,"
                                + "\"bursts\":2,\"burstSeconds\":120}}",
                        new Treatment.Bath(channels("C"), new BigDecimal("150"), 2.5, 35, 2, 120)),
                Arguments.of(
                        "CYCLE",
                        "{\"kind\":\"CYCLE\",\"cycle\":{\"channels\":[\"K\",\"C\"],\"strength\":\"LIGHT\",\"count\":2}}",
                        new Treatment.Cycle(channels("K", "C"), Treatment.Strength.LIGHT, 2)),
                Arguments.of(
                        "HANDWORK",
                        "{\"kind\":\"HANDWORK\",\"handwork\":{\"method\":\"STATION\",\"channels\":[\"K\"]}}",
                        new Treatment.Handwork(Method.STATION, channels("K"), BigDecimal.ZERO)));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("logged")
    void what_a_treatment_recorded_is_read_as_it_was(String kind, String details, Treatment expected)
            throws SQLException {
        try (Statement s = database.createStatement();
                ResultSet row =
                        s.executeQuery("select record, record_version from attempt where kind = '" + kind + "'")) {
            assertThat(row.next()).isTrue();
            assertThat(StoredTreatment.read(
                            Treatment.Kind.valueOf(kind), row.getInt("record_version"), row.getString("record"), JSON))
                    .isEqualTo(expected);
        }
        try (Statement s = database.createStatement();
                ResultSet row = s.executeQuery("select record from attempt_aud where kind = '" + kind + "'")) {
            assertThat(row.next()).isTrue();
            assertThat(row.getString("record")).doesNotContain("\"kind\"");
        }
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("logged")
    void what_is_logged_now_comes_back_as_it_was(String kind, String details, Treatment treatment) {
        String kept = JSON.write(StoredTreatment.of(treatment));
        assertThat(StoredTreatment.read(treatment.kind(), StoredTreatment.VERSION, kept, JSON))
                .isEqualTo(treatment);
    }

    @Test
    void why_a_hold_runs_stands_apart_from_its_note() throws SQLException {
        try (Statement s = database.createStatement();
                ResultSet rows = s.executeQuery("select wet, note from step_clock order by started_by")) {
            rows.next();
            assertThat(rows.getString("wet")).isEqualTo("BODY");
            assertThat(rows.getString("note")).isEqualTo("ended early: dry all through");
            rows.next();
            assertThat(rows.getString("wet")).isEqualTo("BASE_ONLY");
            assertThat(rows.getString("note")).isEmpty();
            rows.next();
            assertThat(rows.getString("wet")).isNull();
        }
    }

    @Test
    void a_record_of_a_newer_program_is_not_guessed_at() {
        assertThatThrownBy(() -> StoredTreatment.read(Treatment.Kind.CYCLE, 5, "{}", JSON))
                .hasMessageContaining("version 5")
                .hasMessageContaining("start the newer program");
    }
}
