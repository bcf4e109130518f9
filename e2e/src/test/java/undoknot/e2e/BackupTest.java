package undoknot.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.BufferedReader;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** {@code ./backup} and {@code ./restore}: every table comes back as it was, and nothing is overwritten unasked. */
class BackupTest {

    private static final Path ROOT = Path.of("..").toAbsolutePath().normalize();

    /** The demo's record as the browser tests have it, put where {@code ./start --shop} keeps a shop's. */
    private static final String FILL =
            ". scripts/db.sh; . scripts/record.sh; choose_record shop; mkdir -p \"$DB_DIR\"; reach_record;"
                    + " mariadb-dump --no-defaults --host=127.0.0.1 --port=$FROM_PORT --user=$UNDOKNOT_TEST_USER --password=$UNDOKNOT_TEST_PASSWORD"
                    + " --single-transaction --hex-blob --max-allowed-packet=512M $FROM | db_sql --max-allowed-packet=512M undoknot; leave_record";

    /** A dump names the moment it was made; the rest says what the tables hold. */
    private static final String SUM = "tar -xOf %s record.sql.gz | gzip -dc | grep -v '^-- Dump completed' | sha256sum";

    private Path folder;

    private record Ran(int code, String said) {}

    @BeforeEach
    void make_room() throws IOException {
        folder = Files.createTempDirectory("undoknot-backup");
        // The database runs as a user of its own.
        Files.setPosixFilePermissions(folder, PosixFilePermissions.fromString("rwxr-xr-x"));
    }

    @AfterEach
    void clear() throws Exception {
        run("one", "rm -rf " + folder);
    }

    private Ran run(String shop, String command) throws Exception {
        Process process = prepared(shop, command).start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        return new Ran(process.waitFor(), said);
    }

    private ProcessBuilder prepared(String shop, String command) {
        ProcessBuilder builder = new ProcessBuilder("bash", "-c", command).directory(ROOT.toFile());
        builder.redirectErrorStream(true);
        String url = System.getenv("UNDOKNOT_DB_URL");
        Map<String, String> env = builder.environment();
        env.put("UNDOKNOT_TEST_USER", System.getenv("UNDOKNOT_DB_USER"));
        env.put("UNDOKNOT_TEST_PASSWORD", System.getenv("UNDOKNOT_DB_PASSWORD"));
        env.put("FROM", "undoknot_browser" + System.getProperty("undoknot.fork", ""));
        env.put("FROM_PORT", url.replaceFirst(".*:(\\d+)/.*", "$1"));
        env.put("RUN", folder.resolve(shop).toString());
        env.put("UNDOKNOT_RUN", folder.resolve(shop).toString());
        env.put("UNDOKNOT_DB_PORT", "3377");
        return builder;
    }

    @Test
    void a_record_comes_back_table_by_table_and_a_damaged_file_does_not() throws Exception {
        Shop.open();
        Ran filled = run("one", FILL);
        assertEquals(0, filled.code, filled.said);
        Path first = folder.resolve("first.tar");
        Path second = folder.resolve("second.tar");
        Ran made = run("one", "./backup " + first);
        assertEquals(0, made.code, made.said);
        Ran twice = run("one", "./backup " + first);
        assertTrue(twice.code != 0 && twice.said.contains("nothing is overwritten"), twice.said);

        Ran restored = run("two", "./restore " + first);
        assertEquals(0, restored.code, restored.said);
        assertEquals(0, run("two", "./backup " + second).code);
        String sum = run("one", SUM.formatted(first)).said;
        assertEquals(sum, run("two", SUM.formatted(second)).said);
        Ran tables = run("one", "tar -xOf " + first + " record.sql.gz | gzip -dc | grep -c '^CREATE TABLE'");
        assertTrue(Integer.parseInt(tables.said.strip()) > 40, tables.said);

        Ran refused = run("two", "./restore " + first);
        assertTrue(refused.code != 0 && refused.said.contains("there is a record already"), refused.said);
        Ran replaced = run("two", "./restore " + second + " --replace");
        assertTrue(replaced.code == 0 && replaced.said.contains("is kept in"), replaced.said);

        byte[] file = Files.readAllBytes(first);
        Path torn = folder.resolve("torn.tar");
        Files.write(torn, Arrays.copyOf(file, file.length / 2));
        Ran broken = run("three", "./restore " + torn);
        assertTrue(broken.code != 0 && broken.said.contains("damaged"), broken.said);
    }

    private static final String STAND =
            ". scripts/db.sh; . scripts/record.sh; choose_record shop; mkdir -p \"$DB_DIR\"; reach_record; trap 'leave_record; exit 0' TERM;"
                    + " echo \"password $UNDOKNOT_DB_PASSWORD\"; exec >/dev/null 2>&1; while :; do sleep 0.2; done";

    /** The database of a shop, which stands until it is closed. */
    private final class Standing implements AutoCloseable {
        private final Process process;
        final String password;

        Standing(String shop) throws IOException {
            process = prepared(shop, STAND).start();
            BufferedReader said = process.inputReader();
            String line = said.readLine();
            while (line != null && !line.startsWith("password ")) {
                line = said.readLine();
            }
            assertNotNull(line, "the database did not start");
            password = line.substring("password ".length());
        }

        Flyway flyway(String version) {
            return Flyway.configure()
                    .dataSource(URL, "app", password)
                    .locations("classpath:db/migration")
                    .target(version)
                    .cleanDisabled(false)
                    .load();
        }

        List<String> rows(String query) throws SQLException {
            List<String> rows = new ArrayList<>();
            try (Connection c = DriverManager.getConnection(URL, "app", password);
                    Statement s = c.createStatement();
                    ResultSet row = s.executeQuery(query)) {
                while (row.next()) {
                    rows.add(row.getString(1));
                }
            }
            return rows;
        }

        @Override
        public void close() throws Exception {
            process.destroy();
            process.waitFor();
        }
    }

    /** The server that {@code ./start} would have begun: a process that has its name and is to be stopped. */
    private static final String PRETEND_SERVER =
            "(exec -a undo-knot.jar sleep 600 </dev/null >/dev/null 2>&1 & echo $!)" + " > $RUN/shop-db/server-pid";

    @Test
    void nothing_is_put_back_while_another_server_uses_the_record() throws Exception {
        Path file = folder.resolve("made.tar");
        try (Standing one = new Standing("one")) {
            one.flyway("1").migrate();
            assertEquals(0, run("one", "./backup " + file).code);
            try (Connection other = DriverManager.getConnection(URL, "app", one.password);
                    Statement s = other.createStatement()) {
                s.execute("create table written_since (id int)");
                run("one", PRETEND_SERVER);
                Ran refused = run("one", "./restore " + file + " --replace");
                assertTrue(refused.code != 0 && refused.said.contains("another server"), refused.said);
                s.execute("insert into written_since values (1)");
            }
            assertEquals(List.of("1"), one.rows("select id from written_since"));
            run("one", PRETEND_SERVER);
            Ran restored = run("one", "./restore " + file + " --replace");
            assertEquals(0, restored.code, restored.said);
            assertEquals(List.of(), one.rows("show tables like 'written_since'"));
        }
    }

    private static final String URL = "jdbc:mariadb://127.0.0.1:3377/undoknot";

    private static final String COLUMNS =
            "select concat(table_name, '.', column_name, ' ', column_type, ' ', is_nullable) from information_schema.columns"
                    + " where table_schema = 'undoknot' order by 1";

    /** The first, one in the middle and the last before today's; all of them with -Dschemas=all. */
    static IntStream schemas() throws IOException {
        try (Stream<Path> files = Files.list(ROOT.resolve("server/src/main/resources/db/migration"))) {
            int newest = (int) files.count();
            return "all".equals(System.getProperty("schemas"))
                    ? IntStream.range(1, newest)
                    : IntStream.of(1, newest / 2, newest - 1);
        }
    }

    /** As an update of the program finds it: a backup that an earlier version wrote is put back, and the next start brings it up. */
    @ParameterizedTest
    @MethodSource("schemas")
    void a_backup_of_an_earlier_schema_comes_back_and_is_brought_up_to_date(int schema) throws Exception {
        Path file = folder.resolve("old.tar");
        List<String> today;
        try (Standing one = new Standing("one")) {
            one.flyway("latest").migrate();
            today = one.rows(COLUMNS);
            one.flyway("1").clean();
            one.flyway("1").migrate();
            try (Connection c = DriverManager.getConnection(URL, "app", one.password);
                    Statement s = c.createStatement()) {
                s.execute("insert into app_user (id, name, display_name, password_hash, role, wrong_tries)"
                        + " values (uuid(), 'morwen', 'Morwen Carne', 'x', 'LEAD', 0)");
            }
            one.flyway(String.valueOf(schema)).migrate();
            Ran made = run("one", "./backup " + file);
            assertTrue(made.code == 0 && made.said.contains("schema " + schema + ")"), made.said);
        }
        Ran restored = run("two", "./restore " + file);
        assertEquals(0, restored.code, restored.said);
        try (Standing two = new Standing("two")) {
            two.flyway("latest").migrate();
            assertEquals(today, two.rows(COLUMNS));
            assertEquals(List.of("Morwen Carne"), two.rows("select display_name from app_user"));
        }
    }
}
