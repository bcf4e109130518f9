package undoknot.server.problem;

import com.fasterxml.jackson.databind.ObjectMapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URI;
import java.sql.SQLException;
import java.sql.SQLNonTransientConnectionException;
import java.sql.SQLTransientConnectionException;
import java.util.Optional;
import java.util.Set;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;

/** Makes problem details of one form, also where no controller is in play. */
public final class Problems {

    private static final String SHUTS_DOWN = "70100";
    private static final String CLOSED = "Connection is closed";

    /** Seconds after which it is worth to try again. */
    public static final String RETRY_AFTER_S = "2";

    /** MariaDB's numbers for a disk or a table that is full. */
    private static final Set<Integer> FULL = Set.of(28, 1021, 1114, 1041);

    private Problems() {}

    public static ProblemDetail diskFull(long freeMb) {
        return of(
                HttpStatus.INSUFFICIENT_STORAGE,
                "disk-full",
                "The disk of the record is full (" + freeMb
                        + " MB are left), so nothing more is kept. What you entered stays here:"
                        + " make room on that disk, then send it again. What was logged before can be read.");
    }

    /** Whether the database had no room to write. */
    static boolean isFull(Throwable thrown) {
        for (Throwable cause = thrown; cause != null; cause = cause.getCause()) {
            if (cause instanceof SQLException sql && FULL.contains(sql.getErrorCode())) {
                return true;
            }
        }
        return false;
    }

    public static ProblemDetail recordOutOfReach() {
        return of(
                HttpStatus.SERVICE_UNAVAILABLE,
                "record-out-of-reach",
                "The record cannot be reached just now. What you entered stays here; it is sent again as soon as it can.");
    }

    static ProblemDetail unforeseen() {
        return of(
                HttpStatus.INTERNAL_SERVER_ERROR,
                "unforeseen",
                "The server could not do this. What you entered is still here; try again, and tell the lead if it stays.");
    }

    /** An address that leads nowhere, or is not asked this way. */
    static ProblemDetail badAddress(HttpStatus status) {
        return of(status, "bad-address", "This address cannot be answered. Go back to the bench.");
    }

    public static ProblemDetail of(HttpStatus status, String type, String detail) {
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(status, detail);
        problem.setType(URI.create("urn:undoknot:problem:" + type));
        return problem;
    }

    /** Whether the database was not there, rather than that it refused what was asked. */
    static boolean isAway(Throwable thrown) {
        for (Throwable cause = thrown; cause != null; cause = cause.getCause()) {
            boolean noConnection = cause instanceof SQLTransientConnectionException
                    || cause instanceof SQLNonTransientConnectionException
                    || cause instanceof SQLException sql
                            && sql.getSQLState() != null
                            && (sql.getSQLState().startsWith("08")
                                    || sql.getSQLState().equals(SHUTS_DOWN))
                    // The pool gives no state of its own when a connection went away under a transaction.
                    || cause instanceof SQLException closed && CLOSED.equals(closed.getMessage());
            if (noConnection) {
                return true;
            }
        }
        return false;
    }

    /** What is to be said where the record itself was the reason: it had no room, or was not there. */
    static Optional<ProblemDetail> ofRecord(Throwable thrown) {
        if (isFull(thrown)) {
            return Optional.of(diskFull(0));
        }
        return isAway(thrown) ? Optional.of(recordOutOfReach()) : Optional.empty();
    }

    public static void write(HttpServletResponse response, ObjectMapper json, ProblemDetail problem)
            throws IOException {
        response.setStatus(problem.getStatus());
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        json.writeValue(response.getOutputStream(), problem);
    }
}
