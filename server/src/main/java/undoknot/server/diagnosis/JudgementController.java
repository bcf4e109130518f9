package undoknot.server.diagnosis;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import undoknot.diagnosis.Observation;
import undoknot.diagnosis.Ranking;
import undoknot.ruleout.Look;
import undoknot.ruleout.NextLook;
import undoknot.server.account.Role;
import undoknot.server.account.SignedIn;
import undoknot.server.house.House;
import undoknot.server.outcome.WorthTerms;
import undoknot.server.problem.Refused;
import undoknot.server.ruleout.FindingRow;
import undoknot.server.ruleout.PhotoIndex;
import undoknot.server.ruleout.SignCheck;
import undoknot.server.treatment.DepartureRow;
import undoknot.server.treatment.Departures;
import undoknot.server.visit.Course;
import undoknot.server.visit.Courses;
import undoknot.server.visit.Visit;
import undoknot.server.visit.Visits;
import undoknot.server.write.RepeatableWrite;
import undoknot.treatment.Advice;
import undoknot.treatment.Evidence;
import undoknot.treatment.Judgement;

/** What is wrong with a head on the bench, what to look at and what to do. */
@RestController
@RequestMapping("/api/visits/{visitId}")
class JudgementController {

    /** A smaller change of a chance is not worth a word. */
    private static final double LEAST_CHANGE = 0.005;

    private final Courses courses;
    private final Judge judge;
    private final House house;
    private final PhotoIndex photos;
    private final Departures departures;
    private final Visits visits;
    private final RepeatableWrite writes;
    private final Clock clock;

    JudgementController(
            Courses courses,
            Judge judge,
            House house,
            PhotoIndex photos,
            Departures departures,
            Visits visits,
            RepeatableWrite writes,
            Clock clock) {
        this.courses = courses;
        this.judge = judge;
        this.house = house;
        this.photos = photos;
        this.departures = departures;
        this.visits = visits;
        this.writes = writes;
        this.clock = clock;
    }

    /** @param advised the method, the look or the act that was advised */
    record DepartureEntry(
            @NotNull Advice.Rule rule,
            @NotBlank @Size(max = 60) String advised,

            @NotBlank(message = "Say in a word why.") @Size(max = 2000, message = "Keep the reason to {max} signs.")
            String reason) {}

    @GetMapping("/judgement")
    @Transactional(readOnly = true)
    public JudgementView judgement(@PathVariable UUID visitId) {
        Course course = courses.get(visitId);
        Instant now = clock.instant();
        Judge.Judged judged = judge.of(course, now);
        Judgement judgement = judged.judgement();
        return new JudgementView(
                judgement.ranking().causes(),
                judgement.ranking().channels(),
                looks(course, judgement),
                SignCheck.BY_THE_WAY.stream().sorted().toList(),
                findings(course, now),
                lastChange(course, judgement),
                judgement.contradictions(),
                judgement.advice(),
                departures.findByVisitIdOrderByMadeAt(visitId).stream()
                        .map(d ->
                                new JudgementView.DepartureView(d.id, d.rule, d.advised, d.reason, d.madeAt, d.madeBy))
                        .toList(),
                course.visit().houseRules == null ? 0 : course.visit().houseRules,
                house.number(),
                house.of(course.visit().houseRules).rules().answers(),
                judged.money());
    }

    private static List<JudgementView.LookView> looks(Course course, Judgement judgement) {
        List<JudgementView.LookView> views = new ArrayList<>();
        NextLook.Proposal best = proposal(judgement);
        for (Look look : Look.values()) {
            if (!look.fits(course.family().construction())) {
                continue;
            }
            NextLook.Proposal p = judgement.looks().stream()
                    .filter(l -> l.look() == look)
                    .findFirst()
                    .orElse(null);
            boolean taken = course.standingFindings().stream()
                    .anyMatch(f -> look.findings().contains(f.sign));
            views.add(new JudgementView.LookView(
                    look,
                    look.minutes(),
                    look.scope(),
                    look.needs(),
                    look.tools(),
                    look.risk(),
                    look.findings(),
                    p == null && !taken,
                    p == null ? 0 : p.bits(),
                    p == null ? 0 : p.bitsPerMinute(),
                    p == null ? null : p.channel(),
                    p == null ? null : p.separates(),
                    p == null ? null : p.from(),
                    best != null && best.look() == look));
        }
        // Stable: the others keep the order of effort and risk.
        views.sort(Comparator.comparing(v -> !v.proposed()));
        return views;
    }

    /** What the advice says to look at; otherwise the look that is worth most, if one is. */
    private static NextLook.Proposal proposal(Judgement judgement) {
        Look advised = judgement.advice().first().look();
        return judgement.looks().stream()
                .filter(p -> advised == null ? p.isWorthIt() : p.look() == advised)
                .findFirst()
                .orElse(null);
    }

    private List<JudgementView.FindingView> findings(Course course, Instant now) {
        Set<String> standing = Evidence.found(course.soFar(now)).stream()
                .map(Observation::from)
                .collect(Collectors.toSet());
        Set<UUID> withPhoto =
                photos.of(course.findings().stream().map(f -> f.id).toList());
        return course.findings().stream()
                .sorted(Comparator.comparing((FindingRow f) -> f.foundAt).reversed())
                .map(f -> new JudgementView.FindingView(
                        f.id,
                        f.sign,
                        Look.making(f.sign).orElse(null),
                        f.channel,
                        f.note,
                        f.foundAt,
                        f.foundBy,
                        f.withdrawn,
                        standing.contains(f.id.toString()),
                        withPhoto.contains(f.id)))
                .toList();
    }

    private List<JudgementView.ChanceChange> lastChange(Course course, Judgement judgement) {
        FindingRow latest = course.standingFindings().stream()
                .max(Comparator.comparing(f -> f.foundAt))
                .orElse(null);
        if (latest == null) {
            return List.of();
        }
        List<Observation> without = judgement.observations().stream()
                .filter(o -> !latest.id.toString().equals(o.from()))
                .toList();
        Ranking before = Ranking.of(
                house.of(course.visit().houseRules).priorsFor(course.family().code()), without);
        return judgement.ranking().causes().stream()
                .map(l -> new JudgementView.ChanceChange(
                        l.cause(), before.of(l.cause()).probability(), l.probability()))
                .filter(c -> Math.abs(c.now() - c.before()) >= LEAST_CHANGE)
                .sorted(Comparator.comparingDouble(c -> -Math.abs(c.now() - c.before())))
                .toList();
    }

    /** Keeps why something else is done than what was advised. */
    @PutMapping("/departures/{id}")
    JudgementView depart(@PathVariable UUID visitId, @PathVariable UUID id, @Valid @RequestBody DepartureEntry entry) {
        writes.run(() -> {
            courses.getOpen(visitId);
            return departures
                    .findById(id)
                    .orElseGet(() -> departures.saveAndFlush(new DepartureRow(
                            id,
                            visitId,
                            entry.rule(),
                            entry.advised(),
                            entry.reason().strip(),
                            clock.instant(),
                            SignedIn.now().displayName())));
        });
        return judgement(visitId);
    }

    /** Sets the terms of "worth going on" for the visit; a term that is absent is worked out. */
    @PutMapping("/worth")
    JudgementView worth(@PathVariable UUID visitId, @Valid @RequestBody WorthTerms terms) {
        writes.run(() -> {
            Visit visit = courses.getOpen(visitId).visit();
            visit.worth = courses.write(terms);
            return visits.saveAndFlush(visit);
        });
        return judgement(visitId);
    }

    /** Judges the visit by the house rules of today from now on; for a lead. */
    @PutMapping("/house-rules")
    JudgementView judgeByToday(@PathVariable UUID visitId) {
        if (SignedIn.now().role() != Role.LEAD) {
            throw Refused.because(
                    HttpStatus.FORBIDDEN, "lead-only", "Only a lead changes the rules that a visit is judged by.");
        }
        writes.run(() -> {
            Visit visit = courses.getOpen(visitId).visit();
            visit.houseRules = house.number() == 0 ? null : house.number();
            return visits.saveAndFlush(visit);
        });
        return judgement(visitId);
    }
}
