package undoknot.server.changes;

import java.io.IOException;
import java.time.Duration;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.SmartLifecycle;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import undoknot.server.problem.Refused;
import undoknot.server.visit.VisitStamp;
import undoknot.server.visit.Visits;

/**
 * Tells every open page what has changed, within about a second, whichever server wrote it: two questions a second to the record for all
 * pages together. What it tells are keys alone; the page asks for what it shows as it always does, with its own rights.
 */
@Component
public class ChangeWatch implements SmartLifecycle {

    private static final Logger LOG = LoggerFactory.getLogger(ChangeWatch.class);
    /** A page that hears nothing for longer knows that its line is cut. */
    private static final int BEAT_EVERY = 12;

    private static final int MOST_PAGES = 500;

    /** A page whose line does not stand after that time asks for everything anew once it does. */
    static final Duration OLDEST = Duration.ofSeconds(30);

    /** Lines of those who are not signed in: a link that got about takes none from the shop. */
    private static final int MOST_WALLS = 20;

    /**
     * @param visits that came in, changed, or were returned
     * @param other whether anything besides visits may have changed: bottles, waste, families, house rules
     */
    record Changed(List<UUID> visits, boolean other) {
        private static final Changed SOMETHING = new Changed(List.of(), true);
        private static final Changed NOTHING = new Changed(List.of(), false);

        boolean isNothing() {
            return visits.isEmpty() && !other;
        }
    }

    /** What pages were told, and when. */
    private record Told(long atNanos, Changed changed) {}

    /**
     * Of the last revisions: a lower number may be committed after a higher one, so that the last alone would hide it.
     *
     * @param last number of the last
     * @param known how many of the last thousand there are
     */
    private record Revisions(long last, long known) {
        private static final String QUERY = """
                select coalesce(max(id), 0) last, count(*) known from revision
                where id > (select coalesce(max(id), 0) - 1000 from revision)""";
    }

    /** What stood at the last look. */
    private record Seen(Map<UUID, VisitStamp> open, Revisions revisions) {
        Changed since(Seen before) {
            List<UUID> visits = new ArrayList<>();
            open.forEach((id, stamp) -> {
                if (!stamp.equals(before.open.get(id))) {
                    visits.add(id);
                }
            });
            before.open.keySet().stream().filter(id -> !open.containsKey(id)).forEach(visits::add);
            return new Changed(visits, !revisions.equals(before.revisions));
        }
    }

    /**
     * @param stands whether its line may go on: the session, or the link that opened it, stands
     * @param tellsKeys whether it is told which visits changed, or only that something did
     */
    private record Page(SseEmitter line, BooleanSupplier stands, boolean tellsKeys) {}

    private final Visits visits;
    private final JdbcTemplate jdbc;
    private final Duration every;
    private final Set<Page> pages = ConcurrentHashMap.newKeySet();
    private ScheduledExecutorService watch;
    private Seen seen;
    private int beat;

    /** For a page whose line stands only after it asked for what it shows: what changed in between. */
    private final Deque<Told> lately = new ArrayDeque<>();

    ChangeWatch(Visits visits, JdbcTemplate jdbc, @Value("${undoknot.changes-every}") Duration every) {
        this.every = every;
        this.visits = visits;
        this.jdbc = jdbc;
    }

    /**
     * @param session of the page; its line ends with it
     * @param age how old what it shows may be; what it was not told meanwhile, it is told at once
     */
    SseEmitter open(String session, Duration age) {
        return open(() -> stands(session), true, age);
    }

    /**
     * A line for who is not signed in: it is told that something changed, and no key.
     *
     * @param stands whether what opened it still does
     */
    public SseEmitter open(BooleanSupplier stands) {
        return open(stands, false, Duration.ZERO);
    }

    private boolean stands(String session) {
        Integer found =
                jdbc.queryForObject("select count(*) from SPRING_SESSION where SESSION_ID = ?", Integer.class, session);
        return found != null && found > 0;
    }

    private SseEmitter open(BooleanSupplier stands, boolean tellsKeys, Duration age) {
        long walls = pages.stream().filter(page -> !page.tellsKeys).count();
        if (pages.size() >= MOST_PAGES || !tellsKeys && walls >= MOST_WALLS) {
            throw Refused.because(
                    HttpStatus.TOO_MANY_REQUESTS,
                    "too-many-pages",
                    "Very many pages are open. This one looks by itself.");
        }
        // From here on what changes is heard of, also when this is the first page.
        firstLook();
        SseEmitter line = new SseEmitter(0L);
        Page page = new Page(line, stands, tellsKeys);
        line.onCompletion(() -> pages.remove(page));
        line.onTimeout(line::complete);
        line.onError(broken -> pages.remove(page));
        pages.add(page);
        // What is sent at once tells the page that its line stands.
        send(page, SseEmitter.event().name("beat").data(""));
        Changed missed = toldWithin(age);
        if (!missed.isNothing()) {
            send(page, SseEmitter.event().name("changed").data(missed));
        }
        return line;
    }

    private synchronized Changed toldWithin(Duration age) {
        if (age.isZero()) {
            return Changed.NOTHING;
        }
        // A change is found by a look that comes after it.
        long from = System.nanoTime() - age.plus(every).toNanos();
        List<Changed> missed = lately.stream()
                .filter(told -> told.atNanos >= from)
                .map(Told::changed)
                .toList();
        return new Changed(
                missed.stream()
                        .flatMap(changed -> changed.visits.stream())
                        .distinct()
                        .toList(),
                missed.stream().anyMatch(Changed::other));
    }

    private void remember(Changed changed) {
        long now = System.nanoTime();
        lately.addLast(new Told(now, changed));
        lately.removeIf(told -> told.atNanos < now - OLDEST.toNanos());
    }

    private synchronized void firstLook() {
        if (seen == null) {
            seen = whatStands();
        }
    }

    private Seen whatStands() {
        Map<UUID, VisitStamp> open = new HashMap<>();
        visits.openStamps().forEach(stamp -> open.put(stamp.id(), stamp));
        Revisions revisions = jdbc.queryForObject(
                Revisions.QUERY, (row, n) -> new Revisions(row.getLong("last"), row.getLong("known")));
        return new Seen(open, revisions);
    }

    int pages() {
        return pages.size();
    }

    /** Looks once; called by the watch and by tests. */
    synchronized void look() {
        if (pages.isEmpty()) {
            seen = null;
            return;
        }
        Seen now = whatStands();
        Changed changed = seen == null ? Changed.NOTHING : now.since(seen);
        seen = now;
        beat++;
        if (!changed.isNothing()) {
            remember(changed);
            pages.forEach(page ->
                    send(page, SseEmitter.event().name("changed").data(page.tellsKeys ? changed : Changed.SOMETHING)));
        }
        if (beat % BEAT_EVERY == 0) {
            pages.forEach(this::beat);
        }
    }

    /** A sign of life; who was signed out meanwhile is told nothing more. */
    private void beat(Page page) {
        if (!page.stands.getAsBoolean()) {
            pages.remove(page);
            page.line.complete();
            return;
        }
        send(page, SseEmitter.event().name("beat").data(""));
    }

    private void send(Page page, SseEmitter.SseEventBuilder event) {
        try {
            page.line.send(event);
        } catch (IOException | IllegalStateException gone) {
            pages.remove(page);
        }
    }

    private void lookQuietly() {
        try {
            look();
        } catch (DataAccessException | TransactionException away) {
            // Every request says so as well; the pages hear of it when it is back.
            LOG.debug("the record cannot be looked at", away);
        }
    }

    @Override
    public void start() {
        watch = Executors.newSingleThreadScheduledExecutor(work -> {
            Thread thread = new Thread(work, "changes");
            thread.setDaemon(true);
            return thread;
        });
        watch.scheduleWithFixedDelay(this::lookQuietly, every.toMillis(), every.toMillis(), TimeUnit.MILLISECONDS);
    }

    /** Lines are ended before the server waits for its last answers. */
    @Override
    public void stop() {
        watch.shutdownNow();
        watch = null;
        pages.forEach(page -> page.line.complete());
        pages.clear();
    }

    @Override
    public boolean isRunning() {
        return watch != null;
    }
}
