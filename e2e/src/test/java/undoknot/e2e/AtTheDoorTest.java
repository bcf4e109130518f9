package undoknot.e2e;

import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What is refused before any of our code has seen it is a problem too: no page of HTML, no bare status. */
class AtTheDoorTest {

    private static String answer(String request) throws IOException {
        URI shop = URI.create(Shop.open().address);
        try (Socket socket = new Socket(shop.getHost(), shop.getPort())) {
            socket.setSoTimeout(15_000);
            socket.getOutputStream().write(request.getBytes(StandardCharsets.ISO_8859_1));
            return new String(socket.getInputStream().readAllBytes(), StandardCharsets.ISO_8859_1);
        }
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "TRACE / HTTP/1.1\r\nHost: x\r\nConnection: close\r\n\r\n",
                "PROPFIND /api/bench HTTP/1.1\r\nHost: x\r\nConnection: close\r\n\r\n",
                "GET /api/%zz HTTP/1.1\r\nHost: x\r\n\r\n",
                "GET /a|b HTTP/1.1\r\nHost: x\r\n\r\n",
                "NONSENSE\r\n\r\n",
                "GET /api/../../etc/passwd HTTP/1.1\r\nHost: x\r\nConnection: close\r\n\r\n",
                "GET /api/bench;a=b HTTP/1.1\r\nHost: x\r\nConnection: close\r\n\r\n",
                "POST /api/session HTTP/1.1\r\nHost: x\r\nContent-Length: -5\r\n\r\n"
            })
    void a_refusal_is_a_problem(String request) throws IOException {
        String answer = answer(request);
        assertTrue(answer.startsWith("HTTP/1.1 4"), answer);
        assertTrue(answer.contains("application/problem+json"), answer);
        assertTrue(answer.contains("urn:undoknot:problem:"), answer);
    }
}
