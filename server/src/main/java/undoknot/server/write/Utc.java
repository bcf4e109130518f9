package undoknot.server.write;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;

/**
 * Moments as the database keeps them, in UTC, for queries that go past Hibernate. A {@code java.sql.Timestamp} would follow the
 * zone of the server: an hour off, and twice the same at the end of summer time.
 */
public final class Utc {

    private Utc() {}

    public static LocalDateTime of(Instant moment) {
        return LocalDateTime.ofInstant(moment, ZoneOffset.UTC);
    }

    /** @param column number of the column, from 1 */
    public static Instant at(ResultSet row, int column) throws SQLException {
        return row.getObject(column, LocalDateTime.class).toInstant(ZoneOffset.UTC);
    }
}
