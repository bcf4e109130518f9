package undoknot.server.bench;

import io.swagger.v3.oas.annotations.Hidden;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.UUID;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.lang.Nullable;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import undoknot.advice.NextStep;
import undoknot.observation.Look;
import undoknot.plan.Promise;
import undoknot.server.account.Secret;
import undoknot.server.account.SignedIn;
import undoknot.server.changes.ChangeWatch;
import undoknot.server.problem.Refused;
import undoknot.server.view.ClockView;
import undoknot.server.view.Strip;
import undoknot.server.visit.LookedAt;
import undoknot.treatment.Method;
import undoknot.treatment.NoPower;
import undoknot.visit.StepClock;
import undoknot.visit.Waiting;

/** The bench on a screen on the wall: tags, what is next and what runs. It shows no customer and no person, and writes nothing. */
@RestController
class WallController {

    private final WallLinks links;
    private final LookedAt visits;
    private final ShownVisits shown;
    private final ChangeWatch changes;
    private final Clock clock;

    WallController(WallLinks links, LookedAt visits, ShownVisits shown, ChangeWatch changes, Clock clock) {
        this.links = links;
        this.visits = visits;
        this.shown = shown;
        this.changes = changes;
        this.clock = clock;
    }

    /**
     * @param at when that can or must be done; absent when it can be done now
     * @param powerUntil when power may come again; absent where nothing keeps it away, or nobody knows
     */
    record WallHead(
            String tag,
            NextStep.Action action,
            @Nullable Method method,
            @Nullable Look look,
            @Nullable Instant at,
            List<NoPower> keptFrom,
            @Nullable Instant powerUntil,
            LocalDate promisedOn,
            Promise promise) {
        static WallHead of(Strip s) {
            return new WallHead(
                    s.tag(),
                    s.next().action(),
                    s.next().advised() == null ? null : s.next().advised().method(),
                    s.next().advised() == null ? null : s.next().advised().look(),
                    s.next().at(),
                    s.head().keptFrom().stream().map(k -> k.reason()).toList(),
                    s.head().keptFrom().stream()
                            .map(k -> k.until())
                            .filter(until -> until != null)
                            .max(Comparator.naturalOrder())
                            .orElse(null),
                    s.promisedOn(),
                    s.promise());
        }
    }

    record WallClock(
            String tag,
            StepClock.Kind kind,
            @Nullable Method method,
            @Nullable Waiting waiting,
            Instant dueAt) {
        static WallClock of(ClockView c) {
            return new WallClock(c.tag(), c.kind(), c.method(), c.waiting(), c.dueAt());
        }
    }

    /** @param until when the link ends */
    record Board(Instant serverTime, Instant until, List<WallHead> heads, List<WallClock> clocks) {}

    @GetMapping("/api/wall/{token}")
    @Transactional(readOnly = true)
    public ResponseEntity<Board> board(@PathVariable String token) {
        Instant now = clock.instant();
        WallLink link = standing(token);
        List<ShownVisits.Shown> open = shown.of(visits.open(), now);
        return ResponseEntity.ok()
                .cacheControl(CacheControl.noStore())
                .body(new Board(
                        now,
                        link.untilAt,
                        open.stream()
                                .map(ShownVisits.Shown::strip)
                                .sorted(Strip.ORDER)
                                .map(WallHead::of)
                                .toList(),
                        open.stream()
                                .flatMap(one -> one.waits().stream())
                                .sorted(Comparator.comparing(ClockView::dueAt))
                                .map(WallClock::of)
                                .toList()));
    }

    @Hidden
    @GetMapping(path = "/api/wall/{token}/changes", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter heard(@PathVariable String token, HttpServletResponse response) {
        standing(token);
        response.setHeader("Cache-Control", "no-store");
        response.setHeader("X-Accel-Buffering", "no");
        String hash = Secret.hash(token);
        return changes.open(() -> links.findByTokenHash(hash)
                .filter(l -> l.stands(clock.instant()))
                .isPresent());
    }

    private WallLink standing(String token) {
        return links.findByTokenHash(Secret.hash(token))
                .filter(l -> l.stands(clock.instant()))
                .orElseThrow(() -> Refused.because(
                        HttpStatus.NOT_FOUND,
                        "link-ended",
                        "This link has ended. A lead makes another one under Accounts."));
    }

    record LinkEntry(
            @NotBlank(message = "Say where the screen hangs.") @Size(max = 60, message = "Keep it to {max} signs.")
            String name,

            @NotNull(message = "Enter for how many days.")
            @Min(value = 1, message = "Take at least 1 day.")
            @Max(value = 366, message = "Take at most 366 days.")
            Integer days) {}

    /** @param path what opens the board; told once, when it is made */
    record LinkView(
            UUID id,
            String name,
            String madeBy,
            Instant madeAt,
            Instant until,
            boolean stands,
            @Nullable String path) {
        static LinkView of(WallLink link, Instant now, @Nullable String path) {
            return new LinkView(link.id, link.name, link.madeBy, link.madeAt, link.untilAt, link.stands(now), path);
        }
    }

    @GetMapping("/api/accounts/wall-links")
    List<LinkView> links() {
        Instant now = clock.instant();
        return links.findAllByOrderByMadeAtDesc().stream()
                .map(link -> LinkView.of(link, now, null))
                .toList();
    }

    @PostMapping("/api/accounts/wall-links")
    LinkView make(@Valid @RequestBody LinkEntry entry) {
        Instant now = clock.instant();
        String token = Secret.draw();
        WallLink link = links.save(new WallLink(
                UUID.randomUUID(),
                entry.name().strip(),
                Secret.hash(token),
                SignedIn.now().displayName(),
                now,
                now.plus(Duration.ofDays(entry.days()))));
        return LinkView.of(link, now, "/wall/" + token);
    }

    @DeleteMapping("/api/accounts/wall-links/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void end(@PathVariable UUID id) {
        WallLink link = links.findById(id).orElseThrow(() -> Refused.notFound("link"));
        if (link.endedAt == null) {
            link.endedAt = clock.instant();
            links.save(link);
        }
    }
}
