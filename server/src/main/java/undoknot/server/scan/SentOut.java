package undoknot.server.scan;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;

/**
 * A file on its way out, on the disk while it is taken: twenty people who take a large scan at once, or slowly, cost no memory.
 *
 * @param bytes its length
 * @param stream its content; the file is gone when this is closed
 */
record SentOut(long bytes, InputStream stream) {

    static SentOut of(byte[] file) {
        try {
            Path path = Files.createTempFile("scan", ".out");
            Files.write(path, file);
            return new SentOut(file.length, Files.newInputStream(path, StandardOpenOption.DELETE_ON_CLOSE));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
