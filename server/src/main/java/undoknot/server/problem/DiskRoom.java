package undoknot.server.problem;

import com.fasterxml.jackson.databind.ObjectMapper;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.File;
import java.io.IOException;
import java.util.Set;
import java.util.function.LongSupplier;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpMethod;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Stops writes while there is still room for the database to end what it began: one that runs into a full disk waits for room
 * and holds everybody up. Only where the record lies on a disk of this machine, as {@code ./start} has it. Reading goes on, and
 * so do signing in and out, which take next to nothing.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 9)
final class DiskRoom extends OncePerRequestFilter {

    private static final Set<String> READING =
            Set.of(HttpMethod.GET.name(), HttpMethod.HEAD.name(), HttpMethod.OPTIONS.name());

    private final ObjectMapper json;
    private final LongSupplier freeBytes;
    private final long leastBytes;

    @Autowired
    DiskRoom(
            ObjectMapper json,
            @Value("${undoknot.record.folder}") String folder,
            @Value("${undoknot.record.least-free-mb}") long leastMb) {
        this(json, folder.isBlank() ? () -> Long.MAX_VALUE : new File(folder)::getUsableSpace, leastMb);
    }

    DiskRoom(ObjectMapper json, LongSupplier freeBytes, long leastMb) {
        this.json = json;
        this.freeBytes = freeBytes;
        this.leastBytes = leastMb << 20;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return READING.contains(request.getMethod())
                || request.getRequestURI().equals("/api/session")
                || !request.getRequestURI().startsWith("/api/");
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        long free = freeBytes.getAsLong();
        if (free < leastBytes) {
            Problems.write(response, json, Problems.diskFull(free >> 20));
            return;
        }
        chain.doFilter(request, response);
    }
}
