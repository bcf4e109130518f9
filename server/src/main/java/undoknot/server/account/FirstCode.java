package undoknot.server.account;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.SecureRandom;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import undoknot.server.problem.Refused;

/** The code with which the first account of an empty shop is made. It is printed at the console and kept nowhere else. */
@Component
class FirstCode {

    private static final Logger LOG = LoggerFactory.getLogger(FirstCode.class);

    private final Accounts accounts;
    private final boolean demo;
    private String code;

    FirstCode(Accounts accounts, @Value("${undoknot.demo}") boolean demo) {
        this.accounts = accounts;
        this.demo = demo;
    }

    @EventListener(ApplicationReadyEvent.class)
    void print() {
        if (!demo && accounts.isEmpty()) {
            code = OneTimeCode.draw(new SecureRandom());
            // ./start waits for this line and shows it.
            LOG.info("First account: use the code {}", code);
        }
    }

    boolean isOut() {
        return code != null && accounts.isEmpty();
    }

    void mustBe(String typed) {
        byte[] right = OneTimeCode.plain(code == null ? "" : code).getBytes(StandardCharsets.US_ASCII);
        byte[] given = OneTimeCode.plain(typed).getBytes(StandardCharsets.US_ASCII);
        if (!isOut() || !MessageDigest.isEqual(right, given)) {
            throw Refused.because(
                    HttpStatus.UNAUTHORIZED,
                    "wrong-code",
                    "This is not the code that the server printed. Look at its console; a new start prints a new one.");
        }
    }
}
