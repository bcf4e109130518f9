package undoknot.server.scan;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockMultipartFile;

class SentFileTest {

    private static final int PIECE = 1 << 16;

    private final byte[] content = new byte[3 * PIECE + 7];
    private int mostAsked;

    SentFileTest() {
        new Random(5).nextBytes(content);
    }

    /** What is asked of a file at once, Java holds once more outside of its heap. */
    private SentFile watched() throws IOException {
        return SentFile.of(new MockMultipartFile("image", content) {
            @Override
            public InputStream getInputStream() {
                return new ByteArrayInputStream(content) {
                    @Override
                    public synchronized int read(byte[] bytes, int at, int length) {
                        mostAsked = Math.max(mostAsked, length);
                        return super.read(bytes, at, length);
                    }
                };
            }
        });
    }

    @Test
    void a_file_is_taken_from_the_disk_whole_and_in_pieces() throws IOException {
        assertThat(watched().bytes()).isEqualTo(content);
        assertThat(mostAsked).isBetween(1, PIECE);
        try (InputStream in = watched().open()) {
            assertThat(in.readNBytes(content.length)).isEqualTo(content);
        }
        assertThat(mostAsked).isBetween(1, PIECE);
    }

    @Test
    void its_first_bytes_are_read_alone() throws IOException {
        assertThat(watched().first(16)).isEqualTo(java.util.Arrays.copyOf(content, 16));
        assertThat(mostAsked).isEqualTo(16);
    }
}
