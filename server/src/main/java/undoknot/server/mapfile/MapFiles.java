package undoknot.server.mapfile;

import com.fasterxml.jackson.core.JsonLocation;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.networknt.schema.InputFormat;
import com.networknt.schema.JsonSchema;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import com.networknt.schema.ValidationMessage;
import com.networknt.schema.serialization.JsonNodeReader;
import com.networknt.schema.utils.JsonNodes;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;
import org.springframework.stereotype.Component;
import undoknot.head.Channel;
import undoknot.head.Family;
import undoknot.nozzle.ChannelMap;
import undoknot.nozzle.NozzleMap;
import undoknot.nozzle.NozzleState;
import undoknot.server.problem.FieldProblem;
import undoknot.server.problem.Refused;

/** Nozzle maps as CSV and JSON, in and out. A bad file is refused whole, with line and field of what is wrong. */
@Component
class MapFiles {

    private static final int MOST_PROBLEMS = 20;
    private static final CSVFormat CSV = CSVFormat.RFC4180
            .builder()
            .setHeader("channel", "nozzle", "state")
            .setSkipHeaderRecord(true)
            .setTrim(true)
            .setIgnoreEmptyLines(true)
            .get();

    private final JsonSchemaFactory schemas = JsonSchemaFactory.getInstance(
            SpecVersion.VersionFlag.V202012,
            builder -> builder.jsonNodeReader(
                    JsonNodeReader.builder().locationAware().build()));
    private final JsonNodeReader reader =
            JsonNodeReader.builder().locationAware().build();
    private final JsonSchema schema =
            schemas.getSchema(MapFiles.class.getResourceAsStream("/schemas/nozzle-map.schema.json"));

    String csv(Family family, NozzleMap map) {
        StringBuilder text = new StringBuilder();
        try (CSVPrinter printer = new CSVPrinter(text, CSVFormat.RFC4180)) {
            printer.printRecord("channel", "nozzle", "state");
            for (Channel channel : family.channels()) {
                ChannelMap states = map.channel(channel.code());
                for (int n = 1; n <= states.size(); n++) {
                    printer.printRecord(
                            channel.code(), n, states.state(n).name().toLowerCase(Locale.ROOT));
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString();
    }

    /** Reads either format; a file that begins with a brace is JSON. */
    NozzleMap read(Family family, String text) {
        String plain = text.startsWith("\ufeff") ? text.substring(1) : text;
        if (plain.isBlank()) {
            throw Refused.entry("file", "EMPTY", "The file is empty.");
        }
        return plain.stripLeading().startsWith("{") ? readJson(family, plain) : readCsv(family, plain);
    }

    private static FieldProblem problem(long line, String field, String message) {
        return new FieldProblem("line " + line + ", " + field, "LINE", "Line " + line + ", " + field + ": " + message);
    }

    private static void refuse(List<FieldProblem> problems) {
        if (!problems.isEmpty()) {
            throw Refused.entries(problems.subList(0, Math.min(MOST_PROBLEMS, problems.size())));
        }
    }

    private NozzleMap readCsv(Family family, String text) {
        List<FieldProblem> problems = new ArrayList<>();
        Map<String, char[]> letters = new LinkedHashMap<>();
        family.channels().forEach(c -> letters.put(c.code(), new char[c.nozzles()]));
        String header = text.lines().findFirst().orElse("").strip();
        if (!header.equalsIgnoreCase("channel,nozzle,state")) {
            throw Refused.entries(List.of(
                    problem(1, "header", "the first line must be channel,nozzle,state, not \"" + header + "\".")));
        }
        try (CSVParser parser = CSVParser.parse(new StringReader(text), CSV)) {
            for (CSVRecord record : parser) {
                readLine(record, parser.getCurrentLineNumber(), letters, problems);
            }
        } catch (IOException | UncheckedIOException e) {
            throw Refused.entry("file", "DAMAGED", "The file is no CSV: " + e.getMessage());
        }
        refuse(problems);
        Map<String, String> texts = new LinkedHashMap<>();
        letters.forEach((code, states) -> {
            for (int i = 0; i < states.length; i++) {
                if (states[i] == 0) {
                    throw Refused.entry(
                            "channel " + code,
                            "INCOMPLETE",
                            "Channel " + code + " has no line for nozzle " + (i + 1) + ".");
                }
            }
            texts.put(code, new String(states));
        });
        return NozzleMap.of(family, texts);
    }

    private static void readLine(
            CSVRecord record, long line, Map<String, char[]> letters, List<FieldProblem> problems) {
        if (record.size() != 3) {
            problems.add(problem(line, "line", "it has " + record.size() + " fields, not 3."));
            return;
        }
        char[] states = letters.get(record.get(0));
        if (states == null) {
            problems.add(problem(line, "channel", "the family has no channel \"" + record.get(0) + "\"."));
            return;
        }
        int nozzle;
        try {
            nozzle = Integer.parseInt(record.get(1));
        } catch (NumberFormatException e) {
            nozzle = 0;
        }
        if (nozzle < 1 || nozzle > states.length) {
            problems.add(problem(line, "nozzle", "1 to " + states.length + ", not \"" + record.get(1) + "\"."));
            return;
        }
        try {
            NozzleState state = NozzleState.valueOf(record.get(2).toUpperCase(Locale.ROOT));
            if (states[nozzle - 1] != 0) {
                problems.add(problem(line, "nozzle", record.get(0) + " " + nozzle + " stands twice."));
            }
            states[nozzle - 1] = state.letter();
        } catch (IllegalArgumentException e) {
            problems.add(problem(
                    line, "state", "firing, weak, deflected, missing or unread, not \"" + record.get(2) + "\"."));
        }
    }

    private NozzleMap readJson(Family family, String text) {
        JsonNode tree;
        try {
            tree = reader.readTree(text, InputFormat.JSON);
        } catch (IOException | RuntimeException e) {
            Throwable cause = e instanceof JsonProcessingException ? e : e.getCause();
            JsonLocation at = cause instanceof JsonProcessingException json ? json.getLocation() : null;
            throw Refused.entries(
                    List.of(problem(at == null ? 1 : at.getLineNr(), "text", "this is no JSON from here on.")));
        }
        List<FieldProblem> problems = new ArrayList<>();
        for (ValidationMessage message : schema.validate(tree)) {
            problems.add(problem(
                    line(message.getInstanceNode()),
                    message.getInstanceLocation().toString(),
                    message.getMessage()));
        }
        refuse(problems);
        JsonNode channels = tree.path("channels");
        if (!tree.path("family").asText().equals(family.code())) {
            throw Refused.entries(List.of(problem(
                    line(tree.path("family")),
                    "family",
                    "the head is " + family.code() + ", the file is of "
                            + tree.path("family").asText() + ".")));
        }
        Map<String, String> texts = new LinkedHashMap<>();
        for (JsonNode channel : channels) {
            String code = channel.path("code").asText();
            String states = channel.path("states").asText();
            family.channel(code)
                    .ifPresentOrElse(
                            known -> {
                                if (known.nozzles() != states.length()) {
                                    problems.add(problem(
                                            line(channel.path("states")),
                                            "states of " + code,
                                            states.length() + " nozzles, not " + known.nozzles() + "."));
                                }
                            },
                            () -> problems.add(problem(
                                    line(channel.path("code")), "code", "the family has no channel " + code + ".")));
            if (texts.put(code, states) != null) {
                problems.add(problem(line(channel.path("code")), "code", "channel " + code + " stands twice."));
            }
        }
        for (Channel channel : family.channels()) {
            if (!texts.containsKey(channel.code())) {
                problems.add(problem(line(channels), "channels", "channel " + channel.code() + " is not there."));
            }
        }
        refuse(problems);
        return NozzleMap.of(family, texts);
    }

    private static long line(JsonNode node) {
        JsonLocation at = node == null ? null : JsonNodes.tokenLocationOf(node);
        return at == null ? 1 : at.getLineNr();
    }
}
