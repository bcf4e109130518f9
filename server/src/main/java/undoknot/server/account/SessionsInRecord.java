package undoknot.server.account;

import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.dao.DataAccessException;
import org.springframework.session.config.SessionRepositoryCustomizer;
import org.springframework.session.jdbc.JdbcIndexedSessionRepository;
import org.springframework.transaction.support.TransactionCallback;
import org.springframework.transaction.support.TransactionOperations;
import undoknot.server.problem.SessionNotKept;

/**
 * How a session is kept in the record. Every request reads it and says that it was used, so that it must cost little: each
 * statement stands for itself (a transaction around each took four messages more), and its last use is kept to the minute,
 * so that the record has something to write once a minute and not with every look. Of twelve hours a minute is nothing.
 */
@Configuration(proxyBeanMethods = false)
class SessionsInRecord {

    /** As Spring Session writes it, but for the minutes: the end is rounded up, so that none ends early. */
    private static final String USED = """
            UPDATE %TABLE_NAME%
            SET SESSION_ID = ?, LAST_ACCESS_TIME = ? DIV 60000 * 60000, MAX_INACTIVE_INTERVAL = ?,
                EXPIRY_TIME = ? DIV 60000 * 60000 + 60000, PRINCIPAL_NAME = ?
            WHERE PRIMARY_ID = ?
            """;

    @Bean
    SessionRepositoryCustomizer<JdbcIndexedSessionRepository> lastUseToTheMinute() {
        return sessions -> sessions.setUpdateSessionQuery(USED);
    }

    /** For sessions alone; everything else is written in transactions. */
    @Bean(defaultCandidate = false)
    @Qualifier("springSessionTransactionOperations")
    TransactionOperations eachStatementForItself() {
        return new TransactionOperations() {
            @Override
            public <T> T execute(TransactionCallback<T> statement) {
                try {
                    return TransactionOperations.withoutTransaction().execute(statement);
                } catch (DataAccessException notKept) {
                    SessionNotKept.note(notKept);
                    throw notKept;
                }
            }
        };
    }
}
