package undoknot.server.flow;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import undoknot.flow.BenchSum;
import undoknot.flow.Sum;
import undoknot.flow.Term;
import undoknot.flow.Unit;
import undoknot.server.problem.FieldProblem;
import undoknot.server.problem.Refused;
import undoknot.server.words.Words;

/** The sums of the bench, each by itself. Nothing is stored. */
@RestController
@RequestMapping("/api/sums")
class SumsController {

    private final Words words;

    SumsController(Words words) {
        this.words = words;
    }

    /**
     * @param usual value that it opens with
     * @param low least value that makes sense
     * @param high greatest value that makes sense
     */
    record AskedTerm(Term term, Unit unit, double usual, double low, double high) {}

    record SumView(BenchSum sum, List<AskedTerm> asked) {}

    /** @param values in the units of their terms */
    record Entered(@NotNull(message = "Give the values.") Map<Term, Double> values) {}

    @GetMapping
    List<SumView> all() {
        return Arrays.stream(BenchSum.values())
                .map(sum -> new SumView(
                        sum,
                        sum.asked().entrySet().stream()
                                .map(e -> new AskedTerm(
                                        e.getKey(),
                                        e.getKey().unit(),
                                        e.getValue(),
                                        e.getKey().low(),
                                        e.getKey().high()))
                                .toList()))
                .toList();
    }

    /** @throws Refused at every entry that makes no sense */
    @PostMapping("/{sum}")
    List<Sum> of(@PathVariable BenchSum sum, @Valid @RequestBody Entered entered) {
        Map<Term, Double> values = new EnumMap<>(Term.class);
        values.putAll(entered.values());
        values.values().removeIf(Objects::isNull);
        List<FieldProblem> wrong = sum.refusals(values).stream()
                .map(r -> new FieldProblem(r.term().name(), r.reason().name(), words.of("sumRefusal", r.reason())))
                .toList();
        if (!wrong.isEmpty()) {
            throw Refused.entries(wrong);
        }
        return sum.of(values);
    }
}
