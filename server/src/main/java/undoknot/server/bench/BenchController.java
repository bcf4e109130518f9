package undoknot.server.bench;

import java.time.Clock;
import java.time.Instant;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import undoknot.bench.NextStep;
import undoknot.server.diagnosis.StandingAdvice;
import undoknot.server.visit.Course;
import undoknot.server.visit.Courses;
import undoknot.server.visit.Views;
import undoknot.server.visit.Visit;
import undoknot.server.visit.VisitSearch;
import undoknot.server.visit.Visits;

/** The bench: every head in the shop, what needs hands next, and what must not be touched. */
@RestController
class BenchController {

    /** Where the course of a visit leaves open what to do, the advice says it. */
    private static final Set<NextStep.Action> OPEN_QUESTION =
            EnumSet.of(NextStep.Action.DIAGNOSE, NextStep.Action.TREAT, NextStep.Action.RETURN);

    private final Visits visits;
    private final VisitSearch search;
    private final Courses courses;
    private final StandingAdvice advice;
    private final Clock clock;

    BenchController(Visits visits, VisitSearch search, Courses courses, StandingAdvice advice, Clock clock) {
        this.visits = visits;
        this.search = search;
        this.courses = courses;
        this.advice = advice;
        this.clock = clock;
    }

    /** @param clocks clocks that run or wait for hands, the first due first */
    record Bench(Instant serverTime, List<Views.Strip> strips, List<Views.ClockView> clocks) {}

    /** Without words: the open visits. With words: open and returned ones whose tag, serial or customer has them. */
    @GetMapping("/api/bench")
    @Transactional(readOnly = true)
    public Bench bench(@RequestParam(name = "search", defaultValue = "") String typed) {
        Instant now = clock.instant();
        String words = typed.strip();
        List<Visit> wanted = words.isEmpty() ? visits.findByClosedAtIsNullOrderByOpenedAt() : search.of(words);
        List<Course> found = courses.of(wanted);
        List<Views.Strip> strips = found.stream()
                .map(course -> strip(course, now))
                .sorted(Comparator.comparing((Views.Strip s) -> s.closedAt() != null)
                        .thenComparing(s -> s.next().action())
                        .thenComparing(Views.Strip::promisedOn))
                .toList();
        List<Views.ClockView> clocks = found.stream()
                .filter(course -> course.visit().closedAt == null)
                .flatMap(course -> course.runningClocks().stream().map(c -> Views.ClockView.of(c, course)))
                .sorted(Comparator.comparing(Views.ClockView::dueAt))
                .toList();
        return new Bench(now, strips, clocks);
    }

    private Views.Strip strip(Course course, Instant now) {
        NextStep next = course.next(now);
        Views.Advised advised = OPEN_QUESTION.contains(next.action()) ? Views.Advised.of(advice.of(course, now)) : null;
        return Views.Strip.of(course, next, advised, now);
    }
}
