package undoknot.server.entry;

import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.core.JsonToken;
import com.fasterxml.jackson.databind.DeserializationContext;
import com.fasterxml.jackson.databind.deser.std.StdScalarDeserializer;
import java.io.IOException;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;

/** Days and moments, written out and within the years in which a head can be on a bench. */
final class EntryDates {

    private static final int FIRST_YEAR = 1970;
    private static final int LAST_YEAR = 2199;

    private EntryDates() {}

    private static String text(JsonParser parser, String message) throws IOException {
        if (parser.currentToken() != JsonToken.VALUE_STRING) {
            throw new Unfit(parser, message);
        }
        return parser.getText().strip();
    }

    private static boolean isWithin(int year) {
        return year >= FIRST_YEAR && year <= LAST_YEAR;
    }

    static final class Days extends StdScalarDeserializer<LocalDate> {
        private static final String MESSAGE = "Enter a day such as 2030-05-17.";

        Days() {
            super(LocalDate.class);
        }

        @Override
        public LocalDate deserialize(JsonParser parser, DeserializationContext context) throws IOException {
            try {
                LocalDate day = LocalDate.parse(text(parser, MESSAGE));
                if (isWithin(day.getYear())) {
                    return day;
                }
            } catch (DateTimeException noDay) {
                // The same answer as for a day that is out of bounds.
            }
            throw new Unfit(parser, MESSAGE);
        }
    }

    static final class Instants extends StdScalarDeserializer<Instant> {
        private static final String MESSAGE = "Enter a moment such as 2030-05-17T08:30:00Z.";

        Instants() {
            super(Instant.class);
        }

        @Override
        public Instant deserialize(JsonParser parser, DeserializationContext context) throws IOException {
            try {
                Instant moment = OffsetDateTime.parse(text(parser, MESSAGE)).toInstant();
                if (isWithin(moment.atOffset(ZoneOffset.UTC).getYear())) {
                    return moment;
                }
            } catch (DateTimeException noMoment) {
                // The same answer as for a moment that is out of bounds.
            }
            throw new Unfit(parser, MESSAGE);
        }
    }
}
