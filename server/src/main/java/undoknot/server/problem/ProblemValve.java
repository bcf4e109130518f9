package undoknot.server.problem;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ErrorReportValve;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;

/** What Tomcat refuses by itself, before any of our code has seen it, is a problem like any other and no page of HTML. */
public final class ProblemValve extends ErrorReportValve {

    private static final Logger LOG = LoggerFactory.getLogger(ProblemValve.class);

    @Override
    protected void report(Request request, Response response, Throwable thrown) {
        int status = response.getStatus();
        if (status < 400 || response.getContentWritten() > 0 || !response.setErrorReported()) {
            return;
        }
        HttpStatus known = HttpStatus.resolve(status);
        String title = known == null ? "Refused" : known.getReasonPhrase();
        String detail = status >= 500
                ? "The server could not do this. What you entered is still here; try again, and tell the lead if it stays."
                : "This request cannot be answered. Load the page again.";
        try {
            response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
            response.setCharacterEncoding(StandardCharsets.UTF_8.name());
            PrintWriter writer = response.getReporter();
            if (writer != null) {
                // None of the three has a sign that JSON would have to escape.
                writer.write(
                        "{\"type\":\"urn:undoknot:problem:refused\",\"title\":\"%s\",\"status\":%d,\"detail\":\"%s\"}"
                                .formatted(title, status, detail));
                response.finishResponse();
            }
        } catch (IOException | IllegalStateException gone) {
            LOG.debug("nobody is left to be told", gone);
        }
    }
}
