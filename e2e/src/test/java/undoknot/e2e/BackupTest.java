package undoknot.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.Arrays;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

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
        Process process = builder.start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        return new Ran(process.waitFor(), said);
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
}
