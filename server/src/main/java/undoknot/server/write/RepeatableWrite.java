package undoknot.server.write;

import java.util.function.Supplier;
import org.springframework.dao.ConcurrencyFailureException;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Runs a write that may be sent twice. Keys are made by the client, so a second run finds what the first one stored and
 * answers the same. When two runs meet, one of them loses on a key or a version and is run again.
 */
@Component
public class RepeatableWrite {

    private static final int MOST_RUNS = 4;

    private final TransactionTemplate transaction;

    RepeatableWrite(PlatformTransactionManager manager) {
        this.transaction = new TransactionTemplate(manager);
    }

    public <T> T run(Supplier<T> write) {
        for (int run = 1; ; run++) {
            try {
                return transaction.execute(status -> write.get());
            } catch (DataIntegrityViolationException | ConcurrencyFailureException metAnother) {
                if (run == MOST_RUNS) {
                    throw metAnother;
                }
            }
        }
    }
}
