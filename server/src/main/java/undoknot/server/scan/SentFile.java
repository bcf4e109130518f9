package undoknot.server.scan;

import java.io.ByteArrayInputStream;
import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Arrays;
import java.util.function.Supplier;
import org.springframework.web.multipart.MultipartFile;

/**
 * A file that somebody sent, or that is kept. It lies on the disk or in the record until its turn comes, and is taken into memory only
 * where it has to be there as a whole: thirty at once take no more memory than a few.
 */
public interface SentFile {

    /** Its content from the start, anew at each call. */
    InputStream open() throws IOException;

    /** Bytes of the whole file. */
    long length();

    /** The file as it is while one works on it, so that it is fetched once. */
    default SentFile held() {
        return this;
    }

    /** The whole file, read anew at each call. */
    default byte[] bytes() {
        byte[] bytes = new byte[Math.toIntExact(length())];
        try (InputStream in = open()) {
            int read = in.readNBytes(bytes, 0, bytes.length);
            return read == bytes.length ? bytes : Arrays.copyOf(bytes, read);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The first bytes, no more than so many. */
    default byte[] first(int most) {
        try (InputStream in = open()) {
            return in.readNBytes(most);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    static SentFile of(byte[] bytes) {
        return new SentFile() {
            @Override
            public InputStream open() {
                return new ByteArrayInputStream(bytes);
            }

            @Override
            public long length() {
                return bytes.length;
            }

            @Override
            public byte[] bytes() {
                return bytes;
            }
        };
    }

    static SentFile of(MultipartFile file) {
        return new SentFile() {
            @Override
            public InputStream open() throws IOException {
                return new InPieces(file.getInputStream());
            }

            @Override
            public long length() {
                return file.getSize();
            }
        };
    }

    /** Asks the disk for a piece at a time: Java keeps as much as is asked for once more outside of its heap, for each thread. */
    final class InPieces extends FilterInputStream {

        private static final int PIECE = 1 << 16;

        InPieces(InputStream in) {
            super(in);
        }

        @Override
        public int read(byte[] bytes, int at, int length) throws IOException {
            return super.read(bytes, at, Math.min(length, PIECE));
        }
    }

    /** A file of the record, fetched whole. */
    static SentFile fetched(Supplier<byte[]> kept) {
        return new SentFile() {
            @Override
            public InputStream open() {
                return new ByteArrayInputStream(bytes());
            }

            @Override
            public long length() {
                return bytes().length;
            }

            @Override
            public byte[] bytes() {
                return kept.get();
            }

            @Override
            public SentFile held() {
                return of(bytes());
            }
        };
    }
}
