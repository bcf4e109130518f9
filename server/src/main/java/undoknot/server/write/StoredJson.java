package undoknot.server.write;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.type.TypeReference;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.util.Map;
import org.springframework.stereotype.Component;

/** Values that the database keeps as JSON. What cannot be read is a fault of the store, never of the one who asks. */
@Component
public class StoredJson {

    private final ObjectMapper json;

    public StoredJson(ObjectMapper json) {
        this.json = json;
    }

    public <T> T read(String text, Class<T> type) {
        try {
            return json.readValue(text, type);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("a stored " + type.getSimpleName() + " cannot be read", e);
        }
    }

    public String write(Object value) {
        try {
            return json.writeValueAsString(value);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(value.getClass().getSimpleName() + " cannot be written", e);
        }
    }

    /** One letter a nozzle for each channel. */
    public Map<String, String> readings(String text) {
        try {
            return json.readValue(text, new TypeReference<Map<String, String>>() {});
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("a stored reading cannot be read", e);
        }
    }

    public Map<String, Integer> counts(String text) {
        try {
            return json.readValue(text, new TypeReference<Map<String, Integer>>() {});
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("stored counts cannot be read", e);
        }
    }
}
