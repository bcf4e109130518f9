package undoknot.server.entry;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;

/** Reads JSON that comes as a field of a form, with the same care as the body of a request. */
public final class EntryReader {

    private final ObjectMapper strict;

    EntryReader(ObjectMapper strict) {
        this.strict = strict;
    }

    public <T> T read(String text, Class<T> type) throws JsonProcessingException {
        return strict.readValue(text, type);
    }
}
