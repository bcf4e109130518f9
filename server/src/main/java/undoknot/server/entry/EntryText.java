package undoknot.server.entry;

import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.databind.DeserializationContext;
import com.fasterxml.jackson.databind.deser.std.StdScalarDeserializer;
import com.fasterxml.jackson.databind.deser.std.StringDeserializer;
import java.io.IOException;

/**
 * Text without what no paper can show: control signs, such as the separators that a code scanner sends between fields, and
 * halves of signs. Line breaks and tabs stay.
 */
final class EntryText extends StdScalarDeserializer<String> {

    EntryText() {
        super(String.class);
    }

    @Override
    public String deserialize(JsonParser parser, DeserializationContext context) throws IOException {
        return clean(StringDeserializer.instance.deserialize(parser, context));
    }

    static String clean(String text) {
        if (text == null || text.codePoints().noneMatch(EntryText::isUnfit)) {
            return text;
        }
        StringBuilder kept = new StringBuilder(text.length());
        text.codePoints().filter(sign -> !isUnfit(sign)).forEach(kept::appendCodePoint);
        return kept.toString();
    }

    private static boolean isUnfit(int sign) {
        int type = Character.getType(sign);
        boolean breaks = sign == '\n' || sign == '\r' || sign == '\t';
        return type == Character.CONTROL && !breaks || type == Character.SURROGATE || sign == 0xFFFE || sign == 0xFFFF;
    }
}
