package undoknot.server.entry;

import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.core.JsonToken;
import com.fasterxml.jackson.databind.DeserializationContext;
import com.fasterxml.jackson.databind.deser.std.StdScalarDeserializer;
import java.io.IOException;
import java.math.BigDecimal;

/** Numbers with a fraction: bounded before anything is reckoned, since {@code 1e30000000} has thirty million digits. */
final class EntryNumbers {

    /** Larger than any volume, price, pressure or count of a bench. */
    private static final int MOST_WHOLE_DIGITS = 9;

    private static final int MOST_FRACTION_DIGITS = 9;
    private static final String MESSAGE = "Enter a number with at most 9 digits before and after the point.";

    private EntryNumbers() {}

    private static BigDecimal bounded(JsonParser parser, DeserializationContext context) throws IOException {
        JsonToken token = parser.currentToken();
        if (token != JsonToken.VALUE_NUMBER_INT && token != JsonToken.VALUE_NUMBER_FLOAT) {
            return (BigDecimal) context.handleUnexpectedToken(BigDecimal.class, parser);
        }
        BigDecimal value = parser.getDecimalValue();
        // Both counts are kept with the number; nothing is written out to find them.
        long whole = (long) value.precision() - value.scale();
        if (value.signum() != 0 && (whole > MOST_WHOLE_DIGITS || whole < -MOST_FRACTION_DIGITS)) {
            throw new Unfit(parser, MESSAGE);
        }
        if (value.scale() > MOST_FRACTION_DIGITS * 2 || value.scale() < -MOST_WHOLE_DIGITS) {
            throw new Unfit(parser, MESSAGE);
        }
        return value;
    }

    static final class Decimals extends StdScalarDeserializer<BigDecimal> {
        Decimals() {
            super(BigDecimal.class);
        }

        @Override
        public BigDecimal deserialize(JsonParser parser, DeserializationContext context) throws IOException {
            return bounded(parser, context);
        }
    }

    static final class Doubles extends StdScalarDeserializer<Double> {
        Doubles(Class<Double> type) {
            super(type);
        }

        @Override
        public Double deserialize(JsonParser parser, DeserializationContext context) throws IOException {
            return bounded(parser, context).doubleValue();
        }

        /** A primitive that is absent is nought, as Jackson has it. */
        @Override
        public Double getNullValue(DeserializationContext context) {
            return handledType() == Double.TYPE ? Double.valueOf(0) : null;
        }
    }
}
