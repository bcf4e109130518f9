package undoknot.server.problem;

import jakarta.servlet.ServletException;
import java.io.IOException;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ValveBase;
import org.apache.coyote.ActionCode;

/** Closes a line whose body is still coming after the answer. Tomcat would read it to its end, however slowly it trickles. */
final class CloseUnread extends ValveBase {

    CloseUnread() {
        super(true);
    }

    @Override
    public void invoke(Request request, Response response) throws IOException, ServletException {
        getNext().invoke(request, response);
        if (request.getAttribute(FairShare.UNREAD) != null) {
            request.getCoyoteRequest().action(ActionCode.DISABLE_SWALLOW_INPUT, null);
        }
    }
}
