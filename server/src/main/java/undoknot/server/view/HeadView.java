package undoknot.server.view;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.UUID;
import org.springframework.lang.Nullable;
import undoknot.server.visit.HeadEntryRow;
import undoknot.server.visit.LoggedVisit;
import undoknot.treatment.Method;
import undoknot.treatment.NoPower;
import undoknot.treatment.Site;
import undoknot.treatment.Wet;
import undoknot.visit.HeadEntry;
import undoknot.visit.HeadNow;

/**
 * Where the head is and what keeps it from power, as the visit shows it.
 *
 * @param uncappedSince since when it stands uncapped and not wet; absent when it does not
 * @param driesAt when that is too long
 * @param entries what was tapped, the newest first, those taken back included
 */
public record HeadView(
        Site site,
        List<KeptView> keptFrom,
        List<WettingView> wettings,
        @Nullable Instant heldUntil,
        @Nullable Instant uncappedSince,
        @Nullable Instant driesAt,
        List<EntryView> entries) {

    /** @param until when it ends by itself; absent when hands end it, or while the wet work still runs */
    public record KeptView(
            NoPower reason, Instant since, @Nullable Instant until) {
        static List<KeptView> of(HeadNow head) {
            return head.keptFrom().stream()
                    .map(kept -> new KeptView(kept.reason(), kept.since(), kept.until()))
                    .toList();
        }
    }

    /**
     * @param by the work that wetted it; absent when something else did
     * @param until absent while the work still runs
     */
    public record WettingView(
            Wet wet,
            @Nullable Method by,
            Instant since,
            @Nullable Instant until) {}

    /** @param minutes length of a hold; absent for any other entry */
    public record EntryView(
            UUID id,
            HeadEntry entry,
            @Nullable Wet wet,
            @Nullable Integer minutes,
            String note,
            Instant at,
            String by,
            boolean withdrawn) {
        static EntryView of(HeadEntryRow row) {
            return new EntryView(
                    row.id,
                    row.entry,
                    row.wet,
                    row.plannedMinutes,
                    row.note,
                    row.enteredAt,
                    row.enteredBy,
                    row.withdrawn);
        }
    }

    static HeadView of(LoggedVisit logged, Instant now) {
        HeadNow head = logged.headNow(now);
        return new HeadView(
                head.site(),
                KeptView.of(head),
                head.wettings().stream()
                        .map(w -> new WettingView(w.wet(), w.by(), w.since(), w.until()))
                        .toList(),
                head.heldUntil().orElse(null),
                head.uncappedSince(),
                head.driesAt(),
                logged.rows().headEntries().stream()
                        .sorted(Comparator.comparing((HeadEntryRow r) -> r.enteredAt)
                                .reversed())
                        .map(EntryView::of)
                        .toList());
    }

    /** The same in brief, for a strip on the bench. */
    public record Brief(
            Site site, List<KeptView> keptFrom, @Nullable Instant driesAt) {
        static Brief of(HeadNow head) {
            return new Brief(head.site(), KeptView.of(head), head.driesAt());
        }
    }
}
