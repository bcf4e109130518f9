package undoknot.server.outcome;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.EnumMap;
import java.util.Map;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import undoknot.treatment.Method;

/** Tells whether what came of the attempts with a method has changed, whichever server wrote it; a second late at most. */
@Component
class OddsChanges {

    private static final Duration LATE = Duration.ofSeconds(1);

    /**
     * Of the last changes: a lower number may be committed after a higher one, so that the last alone would hide it. As many as
     * are never written at once.
     */
    private static final String LAST = """
            select method, max(id) last, count(*) changes from odds_change
            where id > (select coalesce(max(id), 0) - 1000 from odds_change) group by method""";

    /**
     * What stood at a look.
     *
     * @param last number of the last change
     * @param changes how many of the last there are
     */
    record Stamp(long last, long changes) {
        private static final Stamp NONE = new Stamp(0, 0);
    }

    private enum Look {
        ONE
    }

    private final JdbcTemplate jdbc;
    private final Cache<Look, Map<Method, Stamp>> seen =
            Caffeine.newBuilder().expireAfterWrite(LATE).build();

    OddsChanges(JdbcTemplate jdbc) {
        this.jdbc = jdbc;
    }

    Stamp of(Method method) {
        return seen.get(Look.ONE, one -> look()).getOrDefault(method, Stamp.NONE);
    }

    private Map<Method, Stamp> look() {
        Map<Method, Stamp> stamps = new EnumMap<>(Method.class);
        jdbc.query(LAST, row -> {
            stamps.put(Method.valueOf(row.getString("method")), new Stamp(row.getLong("last"), row.getLong("changes")));
        });
        return stamps;
    }

    /** Within the transaction that writes the results; seen here as soon as it is through. */
    void tell(Iterable<Method> methods) {
        methods.forEach(method -> jdbc.update("insert into odds_change (method) values (?)", method.name()));
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCommit() {
                seen.invalidateAll();
            }
        });
    }
}
