package undoknot.server.words;

import com.fasterxml.jackson.core.type.TypeReference;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.ibm.icu.text.MessageFormat;
import java.io.IOException;
import java.io.InputStream;
import java.time.format.DateTimeFormatter;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import org.springframework.stereotype.Component;
import undoknot.observation.Observation;
import undoknot.treatment.Gate;

/** The words for the product's terms; {@code words.json} is shared with the web, so that report and screen agree. */
@Component
public class Words {

    private final Map<String, Map<String, String>> words;

    Words(ObjectMapper json) throws IOException {
        try (InputStream in = Words.class.getResourceAsStream("/words.json")) {
            words = json.readValue(in, new TypeReference<>() {});
        }
    }

    /** @throws IllegalArgumentException when the table lacks the term */
    public String of(String table, Enum<?> term) {
        String word = words.getOrDefault(table, Map.of()).get(term.name());
        if (word == null) {
            throw new IllegalArgumentException("no word for " + table + "." + term.name());
        }
        return word;
    }

    /** What a gate says, with its numbers. */
    public String gate(Gate gate) {
        Map<String, Object> facts = new HashMap<>();
        facts.put("LIMIT", gate.limit() == null ? 0 : round(gate.limit()));
        facts.put("ENTERED", gate.entered() == null ? 0 : round(gate.entered()));
        facts.put("CHANNEL", gate.channel() == null ? "" : gate.channel());
        facts.put(
                "EXPIRED_ON",
                gate.expiredOn() == null
                        ? ""
                        : gate.expiredOn().format(DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH)));
        return new MessageFormat(of("gate", gate.code()), Locale.ENGLISH).format(facts);
    }

    private static double round(double value) {
        return Math.round(value * 10) / 10.0;
    }

    /** The word for a term by its name, from the first of these tables that has it; the name itself where none has. */
    public String anyOf(String term, String... tables) {
        return java.util.Arrays.stream(tables)
                .map(table -> words.getOrDefault(table, Map.of()).get(term))
                .filter(java.util.Objects::nonNull)
                .findFirst()
                .orElse(term);
    }

    /** The same text with a large first letter. */
    public static String capital(String text) {
        return text.isEmpty() ? text : Character.toUpperCase(text.charAt(0)) + text.substring(1);
    }

    /**
     * The words for a term with facts put in by name, counts in the right number.
     *
     * @throws IllegalArgumentException when the table lacks the term
     */
    public String with(String table, Enum<?> term, Map<String, ?> facts) {
        return new MessageFormat(of(table, term), Locale.ENGLISH).format(new HashMap<String, Object>(facts));
    }

    /** Something observed, with its channel and its counts. */
    public String observation(Observation o) {
        Map<String, Object> facts = new HashMap<>();
        o.facts().forEach((fact, value) -> facts.put(fact.name(), value));
        return (o.channel() == null ? "" : o.channel() + ": ") + with("sign", o.sign(), facts);
    }

    /** A count with its noun in the right number, from the table {@code count}: "1 attempt", "3 attempts". */
    public String count(String noun, long n) {
        String pattern = words.getOrDefault("count", Map.of()).get(noun);
        if (pattern == null) {
            throw new IllegalArgumentException("no words to count " + noun);
        }
        return new MessageFormat(pattern, Locale.ENGLISH).format(Map.of("N", n));
    }
}
