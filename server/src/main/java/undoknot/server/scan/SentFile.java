package undoknot.server.scan;

import java.io.IOException;
import java.io.UncheckedIOException;
import org.springframework.web.multipart.MultipartFile;

/** A file that somebody sent. It lies on the disk until its turn comes: thirty at once take no more memory than a few. */
@FunctionalInterface
public interface SentFile {

    /** The whole file, read anew at each call. */
    byte[] bytes();

    static SentFile of(byte[] bytes) {
        return () -> bytes;
    }

    static SentFile of(MultipartFile file) {
        return () -> {
            try {
                return file.getBytes();
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        };
    }
}
