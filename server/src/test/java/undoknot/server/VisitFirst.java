package undoknot.server;

import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;
import org.hibernate.cfg.AvailableSettings;
import org.hibernate.resource.jdbc.spi.StatementInspector;
import org.springframework.boot.autoconfigure.orm.jpa.HibernatePropertiesCustomizer;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * In every test of the server: whatever is logged on a visit is logged after its row was locked and its changes counted. Else a
 * screen would go on showing what it was before, and two writes would judge from the same log.
 */
@Component
class VisitFirst implements HibernatePropertiesCustomizer, StatementInspector {

    private static final Pattern LOGGED = Pattern.compile(
            "(insert into|update|delete from) (nozzle_check|attempt|diagnosis|step_clock|finding|departure|head_entry"
                    + "|procedure_entry|off_part)\\b.*",
            Pattern.DOTALL);
    private static final Pattern COUNTED =
            Pattern.compile("update visit \\w+ set changes=.*|insert into visit .*", Pattern.DOTALL);

    @Override
    public void customize(Map<String, Object> properties) {
        properties.put(AvailableSettings.STATEMENT_INSPECTOR, this);
    }

    @Override
    public String inspect(String sql) {
        String plain = sql.strip().replace("`", "").toLowerCase(Locale.ROOT);
        if (COUNTED.matcher(plain).matches()) {
            counted();
        } else if (LOGGED.matcher(plain).matches() && !TransactionSynchronizationManager.hasResource(this)) {
            throw new IllegalStateException("written before the visit was locked: " + sql);
        }
        return sql;
    }

    private void counted() {
        if (TransactionSynchronizationManager.hasResource(this)) {
            return;
        }
        TransactionSynchronizationManager.bindResource(this, true);
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCompletion(int status) {
                TransactionSynchronizationManager.unbindResourceIfPossible(VisitFirst.this);
            }
        });
    }
}
