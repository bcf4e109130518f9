package undoknot.server.report;

import com.fasterxml.jackson.core.type.TypeReference;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.io.InputStream;
import java.util.Map;
import org.springframework.stereotype.Component;

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
}
