package undoknot.server.api;

import com.fasterxml.jackson.databind.JsonNode;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;

/** JSON text for a schema of the interface's description: mostly what fits, now and then what no form would send. */
final class WildJson {

    private static final int DEEPEST = 7;

    /** Written as they are; a library would not write some of them. */
    private static final List<String> WILD = List.of(
            "null",
            "-1",
            "0",
            "7",
            "1e30000000",
            "1e999999999",
            "-1e308",
            "1.7976931348623157e308",
            "0.000000000000000000000000001",
            "9223372036854775808",
            "2147483647",
            "123456789012345678901234567890123456789012345678901234567890",
            "true",
            "\"\"",
            "\"NaN\"",
            "\"   \"",
            "\"\\u0000\\u001d\\u001e\"",
            "\"\\ud800\"",
            "\"\\u202e\u4e2d\u6587 \ud83d\udd27\"",
            "\"<script>alert(1)</script>\"",
            "\"'; drop table visit; --\"",
            "\"+999999999-12-31\"",
            "\"99999-01-01T00:00:00Z\"",
            "\"0001-01-01\"",
            "[]",
            "[null]",
            "{}",
            "{\"a\":1,\"a\":2}");

    private final JsonNode schemas;
    private final Random random;
    private final double wildness;
    private final List<String> knownIds;

    WildJson(JsonNode schemas, Random random, double wildness, List<String> knownIds) {
        this.schemas = schemas;
        this.random = random;
        this.wildness = wildness;
        this.knownIds = knownIds;
    }

    /** What is written for the number at a place, counted from 0 in the order of the text; and how many there were. */
    private int numberAt = -1;

    private String number;
    private int numbers;
    private boolean whole;

    /** With every property there is, so that no field is passed over. */
    WildJson whole() {
        whole = true;
        return this;
    }

    WildJson withNumber(int at, String written) {
        numberAt = at;
        number = written;
        return this;
    }

    int numbers() {
        return numbers;
    }

    private String number(String usual) {
        return numbers++ == numberAt ? number : usual;
    }

    String of(JsonNode schema, int depth) {
        if (random.nextDouble() < wildness) {
            return wild();
        }
        if (schema.has("$ref")) {
            String name = schema.path("$ref").asText().replaceFirst(".*/", "");
            return depth > DEEPEST ? "null" : of(schemas.path(name), depth + 1);
        }
        if (schema.has("enum")) {
            JsonNode options = schema.path("enum");
            return "\"" + options.get(random.nextInt(options.size())).asText() + "\"";
        }
        return switch (schema.path("type").asText()) {
            case "object" -> object(schema, depth);
            case "array" -> array(schema, depth);
            case "integer" -> number(String.valueOf(random.nextInt(random.nextBoolean() ? 5 : 300)));
            case "number" -> number(String.valueOf(Math.round(random.nextDouble() * 1000) / 10.0));
            case "boolean" -> String.valueOf(random.nextBoolean());
            default -> text(schema.path("format").asText());
        };
    }

    String wild() {
        return switch (random.nextInt(40)) {
            case 0 -> "\"" + "x".repeat(5_000) + "\"";
            case 1 -> "[" + "{},".repeat(20_000) + "{}]";
            case 2 -> "[".repeat(200) + "]".repeat(200);
            default -> WILD.get(random.nextInt(WILD.size()));
        };
    }

    private String object(JsonNode schema, int depth) {
        List<String> members = new ArrayList<>();
        Iterator<Map.Entry<String, JsonNode>> properties =
                schema.path("properties").fields();
        List<String> required = new ArrayList<>();
        schema.path("required").forEach(r -> required.add(r.asText()));
        while (properties.hasNext()) {
            Map.Entry<String, JsonNode> property = properties.next();
            double wanted = required.contains(property.getKey()) ? 0.97 : 0.35;
            if (whole || random.nextDouble() < wanted) {
                members.add("\"" + property.getKey() + "\":" + of(property.getValue(), depth + 1));
            }
        }
        JsonNode more = schema.path("additionalProperties");
        if (more.isObject()) {
            members.add("\"" + "CMYK".charAt(random.nextInt(4)) + "\":" + of(more, depth + 1));
        }
        return "{" + String.join(",", members) + "}";
    }

    private String array(JsonNode schema, int depth) {
        List<String> items = new ArrayList<>();
        for (int i = random.nextInt(3); i >= 0; i--) {
            items.add(of(schema.path("items"), depth + 1));
        }
        return "[" + String.join(",", items) + "]";
    }

    private String text(String format) {
        return switch (format) {
            case "uuid" ->
                "\"" + (random.nextBoolean() ? UUID.randomUUID() : knownIds.get(random.nextInt(knownIds.size())))
                        + "\"";
            case "date" -> "\"2031-0" + (1 + random.nextInt(9)) + "-1" + random.nextInt(9) + "\"";
            case "date-time" -> "\"2026-11-2" + random.nextInt(9) + "T10:00:00Z\"";
            default ->
                List.of("\"C\"", "\"M\"", "\"VENNICK-B3\"", "\"a word\"", "\"Wenna\"", "\"1-3\"")
                        .get(random.nextInt(6));
        };
    }
}
