package undoknot.server.visit;

import jakarta.persistence.AttributeConverter;
import jakarta.persistence.Converter;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import undoknot.outcome.Outcome.Doubt;

/** Doubts in one column, by name with commas between; null for none. */
@Converter
public class DoubtNames implements AttributeConverter<List<Doubt>, String> {

    @Override
    public String convertToDatabaseColumn(List<Doubt> doubts) {
        return doubts == null || doubts.isEmpty()
                ? null
                : doubts.stream().map(Doubt::name).collect(Collectors.joining(","));
    }

    @Override
    public List<Doubt> convertToEntityAttribute(String names) {
        return names == null
                ? List.of()
                : Stream.of(names.split(",")).map(Doubt::valueOf).toList();
    }
}
