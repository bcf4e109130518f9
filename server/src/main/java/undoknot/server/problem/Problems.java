package undoknot.server.problem;

import com.fasterxml.jackson.databind.ObjectMapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URI;
import java.sql.SQLException;
import java.sql.SQLNonTransientConnectionException;
import java.sql.SQLTransientConnectionException;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;

/** Makes problem details of one form, also where no controller is in play. */
public final class Problems {

    private static final String SHUTS_DOWN = "70100";

    /** Seconds after which it is worth to try again. */
    public static final String RETRY_AFTER_S = "2";

    private Problems() {}

    public static ProblemDetail recordOutOfReach() {
        return of(
                HttpStatus.SERVICE_UNAVAILABLE,
                "record-out-of-reach",
                "The record cannot be reached just now. What you entered stays here; it is sent again as soon as it can.");
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
                                    || sql.getSQLState().equals(SHUTS_DOWN));
            if (noConnection) {
                return true;
            }
        }
        return false;
    }

    public static void write(HttpServletResponse response, ObjectMapper json, ProblemDetail problem)
            throws IOException {
        response.setStatus(problem.getStatus());
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        json.writeValue(response.getOutputStream(), problem);
    }
}
