package undoknot.server.practice;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import undoknot.diagnosis.Cause;
import undoknot.diagnosis.Priors;
import undoknot.head.Family;
import undoknot.head.Limits;
import undoknot.practice.HouseQuestion;
import undoknot.practice.School;
import undoknot.server.account.Role;
import undoknot.server.account.SignedIn;
import undoknot.server.head.Families;
import undoknot.server.problem.FieldProblem;
import undoknot.server.problem.Refused;
import undoknot.server.write.RepeatableWrite;

/** The house rules: read by all, changed by a lead, every change kept with who and why. */
@RestController
class HouseController {

    private final HouseRows rows;
    private final House house;
    private final Families families;
    private final RepeatableWrite writes;
    private final ObjectMapper json;
    private final Clock clock;

    HouseController(
            HouseRows rows, House house, Families families, RepeatableWrite writes, ObjectMapper json, Clock clock) {
        this.rows = rows;
        this.house = house;
        this.families = families;
        this.writes = writes;
        this.json = json;
        this.clock = clock;
    }

    record QuestionView(HouseQuestion question, List<String> schools) {}

    record FamilyRules(String code, String name, Limits usualLimits) {}

    record ChangeView(int number, String why, Instant madeAt, String madeBy, HouseBook book) {}

    /**
     * @param number number of the book that stands, 0 when nothing was ever changed
     * @param startingPriors starting beliefs, where the book says nothing else
     * @param changes all books so far, the newest first
     */
    record HouseView(
            int number,
            HouseBook book,
            List<QuestionView> questions,
            Map<Cause, Double> startingPriors,
            List<FamilyRules> families,
            List<ChangeView> changes) {}

    /** @param number number of the book that was changed */
    record HouseEntry(
            int number,
            @NotNull @Valid HouseBook book,

            @NotBlank(message = "Say why the rules change.") @Size(max = 2000, message = "Keep it to {max} signs.")
            String why) {}

    @GetMapping("/api/house-rules")
    HouseView view() {
        return new HouseView(
                house.number(),
                house.now(),
                Arrays.stream(HouseQuestion.values())
                        .map(q -> new QuestionView(
                                q, q.schools().stream().map(School::name).toList()))
                        .toList(),
                Priors.DEFAULT.shares(),
                families.all().stream()
                        .map(f -> new FamilyRules(f.code(), f.name(), families.usualLimits(f.code())))
                        .toList(),
                rows.findAllByOrderByNumberDesc().stream()
                        .map(r -> new ChangeView(r.number, r.why, r.madeAt, r.madeBy, house.read(r)))
                        .toList());
    }

    @PutMapping("/api/house-rules/{id}")
    HouseView put(@PathVariable UUID id, @Valid @RequestBody HouseEntry entry) {
        if (SignedIn.now().role() != Role.LEAD) {
            throw Refused.because(HttpStatus.FORBIDDEN, "lead-only", "Only a lead changes the house rules.");
        }
        check(entry.book());
        writes.run(() -> {
            if (rows.existsById(id)) {
                return null;
            }
            if (house.number() != entry.number()) {
                throw Refused.conflict(house.now(), entry.book());
            }
            try {
                return rows.saveAndFlush(new HouseRow(
                        id,
                        entry.number() + 1,
                        json.writeValueAsString(entry.book()),
                        entry.why().strip(),
                        clock.instant(),
                        SignedIn.now().displayName()));
            } catch (JsonProcessingException e) {
                throw new IllegalStateException("house rules cannot be written", e);
            }
        });
        return view();
    }

    private void check(HouseBook book) {
        List<FieldProblem> wrong = new ArrayList<>();
        book.answers().forEach((question, school) -> {
            if (question.school(school).isEmpty()) {
                wrong.add(new FieldProblem(
                        "book.answers." + question, "UNKNOWN", "Choose one of the schools in the list."));
            }
        });
        book.priors().forEach((family, shares) -> {
            known(family, "book.priors", wrong);
            shares.forEach((cause, share) -> {
                if (!(share > 0 && share < 1)) {
                    wrong.add(new FieldProblem(
                            "book.priors." + family + "." + cause, "RANGE", "Enter a share above 0 and below 100 %."));
                }
            });
        });
        book.limits().forEach((family, limits) -> {
            known(family, "book.limits", wrong);
            if (limits == null) {
                wrong.add(new FieldProblem(
                        "book.limits." + family, "MISSING", "Enter the limits, or leave the family out."));
                return;
            }
            String at = "book.limits." + family;
            range(limits.pushKpa(), 0, 200, at + ".pushKpa", "kPa", wrong);
            range(limits.suctionKpa(), 0, 90, at + ".suctionKpa", "kPa", wrong);
            range(limits.heatC(), 20, 60, at + ".heatC", "°C", wrong);
        });
        book.partPrices().forEach((part, price) -> amount(price, 10_000, "book.partPrices." + part, wrong));
        book.cycleInkMl().forEach((family, ink) -> {
            known(family, "book.cycleInkMl", wrong);
            ink.forEach((strength, ml) -> amount(ml, 500, "book.cycleInkMl." + family + "." + strength, wrong));
        });
        if (!wrong.isEmpty()) {
            throw Refused.entries(wrong);
        }
    }

    private static void amount(BigDecimal value, int most, String field, List<FieldProblem> wrong) {
        if (value == null || value.signum() < 0 || value.compareTo(BigDecimal.valueOf(most)) > 0) {
            wrong.add(new FieldProblem(field, "RANGE", "Enter 0 to " + most + ", or leave it empty."));
        }
    }

    private void known(String family, String field, List<FieldProblem> wrong) {
        if (families.all().stream().map(Family::code).noneMatch(family::equals)) {
            wrong.add(new FieldProblem(field, "UNKNOWN", "There is no family " + family + "."));
        }
    }

    private static void range(
            Double value, double least, double most, String field, String unit, List<FieldProblem> wrong) {
        if (value != null && !(value > least && value <= most)) {
            wrong.add(new FieldProblem(
                    field,
                    "RANGE",
                    "Enter more than " + (int) least + " and at most " + (int) most + " " + unit
                            + ", or leave it empty to forbid it."));
        }
    }
}
