package undoknot.server.entry;

import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.databind.JsonMappingException;

/** A value that cannot be taken in; the message says what to enter instead. */
public final class Unfit extends JsonMappingException {

    Unfit(JsonParser at, String message) {
        super(at, message);
    }

    /** The message alone, without the place in the text that Jackson adds. */
    public String words() {
        return getOriginalMessage();
    }
}
