package undoknot.server.bench;

import java.time.Clock;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import undoknot.server.advice.AdviceCache;
import undoknot.server.view.ClockView;
import undoknot.server.view.Strip;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.Visit;
import undoknot.server.visit.VisitLoader;
import undoknot.server.visit.VisitSearch;
import undoknot.server.visit.Visits;

/** The bench: every head in the shop, what needs hands next, and what must not be touched. */
@RestController
class BenchController {

    private final Visits visits;
    private final VisitSearch search;
    private final VisitLoader loader;
    private final AdviceCache advice;
    private final Clock clock;

    BenchController(Visits visits, VisitSearch search, VisitLoader loader, AdviceCache advice, Clock clock) {
        this.visits = visits;
        this.search = search;
        this.loader = loader;
        this.advice = advice;
        this.clock = clock;
    }

    /** @param clocks clocks that run or wait for hands, the first due first */
    record Bench(Instant serverTime, List<Strip> strips, List<ClockView> clocks) {}

    /** Without words: the open visits. With words: open and returned ones whose tag, serial or customer has them. */
    @GetMapping("/api/bench")
    @Transactional(readOnly = true)
    public Bench bench(@RequestParam(name = "search", defaultValue = "") String typed) {
        Instant now = clock.instant();
        String words = typed.strip();
        List<Visit> wanted = words.isEmpty() ? visits.findByClosedAtIsNullOrderByOpenedAt() : search.of(words);
        List<LoggedVisit> found = loader.of(wanted);
        List<Strip> strips = found.stream()
                .map(logged -> strip(logged, now))
                .sorted(Strip.ORDER)
                .toList();
        List<ClockView> clocks = found.stream()
                .filter(logged -> logged.visit().closedAt == null)
                .flatMap(logged -> Stream.concat(
                        logged.runningClocks().stream().map(c -> ClockView.of(c, logged)),
                        ClockView.hold(logged, now).stream()))
                .sorted(Comparator.comparing(ClockView::dueAt))
                .toList();
        return new Bench(now, strips, clocks);
    }

    /** Every clock of the open visits that runs or waits for hands, for the strip on every page. */
    @GetMapping("/api/clocks")
    @Transactional(readOnly = true)
    public Running clocks() {
        Instant now = clock.instant();
        return new Running(
                now,
                loader.of(visits.findByClosedAtIsNullOrderByOpenedAt()).stream()
                        .flatMap(logged -> Stream.concat(
                                logged.runningClocks().stream().map(c -> ClockView.of(c, logged)),
                                ClockView.keptFromPower(logged, now)))
                        .sorted(Comparator.comparing(ClockView::dueAt))
                        .toList());
    }

    /** @param clocks the first due first, with what dries and evaporates */
    record Running(Instant serverTime, List<ClockView> clocks) {}

    private Strip strip(LoggedVisit logged, Instant now) {
        return Strip.of(logged, logged.next(() -> advice.of(logged, now), now), now);
    }
}
