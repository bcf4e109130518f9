package undoknot.server.entry;

import com.fasterxml.jackson.annotation.JsonSetter;
import com.fasterxml.jackson.annotation.Nulls;
import com.fasterxml.jackson.core.StreamReadConstraints;
import com.fasterxml.jackson.core.StreamReadFeature;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.MapperFeature;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.cfg.CoercionAction;
import com.fasterxml.jackson.databind.cfg.CoercionInputShape;
import com.fasterxml.jackson.databind.module.SimpleModule;
import com.fasterxml.jackson.databind.type.LogicalType;
import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.converter.json.MappingJackson2HttpMessageConverter;

/**
 * How what people send is read as JSON: to the letter and within bounds, so that nothing gets into the record that the
 * database, a sum or paper cannot hold. What the shop has stored itself is read by the usual mapper.
 */
@Configuration
class EntryJson {

    /** A sheet of a head with many thousand nozzles, or a draft of 400,000 signs, escaped. */
    private static final long MOST_SIGNS = 3_000_000;

    private static final int MOST_TEXT = 1_000_000;

    /** A family with its layouts has some thousand. */
    private static final long MOST_TOKENS = 50_000;

    private static final int MOST_NESTING = 40;
    private static final int MOST_DIGITS = 40;

    @Bean
    EntryReader entryReader(ObjectMapper json) {
        return new EntryReader(strict(json));
    }

    @Bean
    MappingJackson2HttpMessageConverter entryConverter(ObjectMapper json) {
        return new MappingJackson2HttpMessageConverter(strict(json));
    }

    static ObjectMapper strict(ObjectMapper usual) {
        ObjectMapper strict = usual.copy();
        strict.getFactory()
                .setStreamReadConstraints(StreamReadConstraints.builder()
                        .maxDocumentLength(MOST_SIGNS)
                        .maxStringLength(MOST_TEXT)
                        .maxTokenCount(MOST_TOKENS)
                        .maxNestingDepth(MOST_NESTING)
                        .maxNumberLength(MOST_DIGITS)
                        .build());
        strict.getFactory().enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION.mappedFeature());
        strict.enable(DeserializationFeature.FAIL_ON_NUMBERS_FOR_ENUMS, DeserializationFeature.FAIL_ON_TRAILING_TOKENS);
        strict.disable(DeserializationFeature.ACCEPT_FLOAT_AS_INT);
        noCoercion(strict);
        strict.setDefaultSetterInfo(JsonSetter.Value.forContentNulls(Nulls.FAIL));
        return strict.registerModule(new SimpleModule("entries")
                .addDeserializer(String.class, new EntryText())
                .addDeserializer(BigDecimal.class, new EntryNumbers.Decimals())
                .addDeserializer(Double.class, new EntryNumbers.Doubles(Double.class))
                .addDeserializer(Double.TYPE, new EntryNumbers.Doubles(Double.TYPE))
                .addDeserializer(LocalDate.class, new EntryDates.Days())
                .addDeserializer(Instant.class, new EntryDates.Instants()));
    }

    @SuppressWarnings("deprecation") // The builder that would take it cannot start from a copy.
    private static void noCoercion(ObjectMapper strict) {
        strict.configure(MapperFeature.ALLOW_COERCION_OF_SCALARS, false);
        strict.coercionConfigFor(LogicalType.Textual)
                .setCoercion(CoercionInputShape.Integer, CoercionAction.Fail)
                .setCoercion(CoercionInputShape.Float, CoercionAction.Fail)
                .setCoercion(CoercionInputShape.Boolean, CoercionAction.Fail);
        strict.coercionConfigFor(LogicalType.Boolean)
                .setCoercion(CoercionInputShape.Integer, CoercionAction.Fail)
                .setCoercion(CoercionInputShape.String, CoercionAction.Fail);
    }
}
