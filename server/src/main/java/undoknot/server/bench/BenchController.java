package undoknot.server.bench;

import com.fasterxml.jackson.databind.util.RawValue;
import io.swagger.v3.oas.annotations.media.ArraySchema;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Clock;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import undoknot.server.view.ClockView;
import undoknot.server.view.Strip;
import undoknot.server.visit.LookedAt;
import undoknot.server.visit.VisitSearch;

/** The bench: every head in the shop, what needs hands next, and what must not be touched. */
@RestController
class BenchController {

    private final LookedAt visits;
    private final VisitSearch search;
    private final ShownVisits shown;
    private final Clock clock;

    BenchController(LookedAt visits, VisitSearch search, ShownVisits shown, Clock clock) {
        this.visits = visits;
        this.search = search;
        this.shown = shown;
        this.clock = clock;
    }

    /** @param clocks clocks that run or wait for hands, the first due first */
    record Bench(
            Instant serverTime,

            @ArraySchema(schema = @Schema(implementation = Strip.class))
            List<RawValue> strips,

            List<ClockView> clocks) {}

    /** Without words: the open visits. With words: open and returned ones whose tag, serial or customer has them. */
    @GetMapping("/api/bench")
    @Transactional(readOnly = true)
    public Bench bench(@RequestParam(name = "search", defaultValue = "") String typed) {
        Instant now = clock.instant();
        String words = typed.strip();
        List<ShownVisits.Shown> found = shown.of(words.isEmpty() ? visits.open() : visits.of(search.of(words)), now);
        return new Bench(
                now,
                found.stream()
                        .sorted(Comparator.comparing(ShownVisits.Shown::strip, Strip.ORDER))
                        .map(ShownVisits.Shown::json)
                        .toList(),
                found.stream()
                        .flatMap(one -> one.waits().stream())
                        .sorted(Comparator.comparing(ClockView::dueAt))
                        .toList());
    }

    /** Every clock of the open visits that runs or waits for hands, for the strip on every page. */
    @GetMapping("/api/clocks")
    @Transactional(readOnly = true)
    public Running clocks() {
        Instant now = clock.instant();
        return new Running(
                now,
                shown.of(visits.open(), now).stream()
                        .flatMap(one -> one.clocks().stream())
                        .sorted(Comparator.comparing(ClockView::dueAt))
                        .toList());
    }

    /** @param clocks the first due first, with what dries and evaporates */
    record Running(Instant serverTime, List<ClockView> clocks) {}
}
