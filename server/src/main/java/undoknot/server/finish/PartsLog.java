package undoknot.server.finish;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.web.multipart.MultipartFile;
import undoknot.finish.OffPart;
import undoknot.server.account.SignedIn;
import undoknot.server.finish.PartsController.BackEntry;
import undoknot.server.finish.PartsController.OffPartEntry;
import undoknot.server.gate.GateKeeper;
import undoknot.server.problem.Refused;
import undoknot.server.scan.Photos;
import undoknot.server.view.VisitView;
import undoknot.server.view.VisitWrites;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.OffPartPhoto;
import undoknot.server.visit.OffPartPhotos;
import undoknot.server.visit.OffPartRow;
import undoknot.server.visit.OffParts;
import undoknot.server.visit.VisitLoader;
import undoknot.server.write.RepeatableWrite;
import undoknot.visit.HeadNow;

/** Keeps the list of what came off. */
@Component
class PartsLog {

    private final OffParts parts;
    private final OffPartPhotos photos;
    private final Photos shots;
    private final VisitLoader loader;
    private final VisitWrites writes;
    private final RepeatableWrite plainWrites;
    private final GateKeeper gates;
    private final Clock clock;

    PartsLog(
            OffParts parts,
            OffPartPhotos photos,
            Photos shots,
            VisitLoader loader,
            VisitWrites writes,
            RepeatableWrite plainWrites,
            GateKeeper gates,
            Clock clock) {
        this.parts = parts;
        this.photos = photos;
        this.shots = shots;
        this.loader = loader;
        this.writes = writes;
        this.plainWrites = plainWrites;
        this.gates = gates;
        this.clock = clock;
    }

    VisitView put(UUID visitId, UUID id, OffPartEntry entry) {
        return writes.on(visitId, logged -> {
            OffPartRow row = parts.findById(id)
                    .orElseGet(() -> new OffPartRow(
                            id, visitId, clock.instant(), SignedIn.now().displayName()));
            own(row, visitId);
            boolean isCartridge = entry.kind() == OffPart.Kind.CARTRIDGE;
            if (isCartridge && entry.channel() == null
                    || entry.channel() != null
                            && logged.family().channel(entry.channel()).isEmpty()) {
                throw Refused.entry("channel", "UNKNOWN", "Say whose port it belongs to.");
            }
            HeadNow before = logged.headNow(clock.instant());
            row.kind = entry.kind();
            row.name = entry.name().strip();
            row.channel = entry.channel();
            row.count = entry.count();
            row.note = Objects.requireNonNullElse(entry.note(), "").strip();
            return saved(logged, row, before);
        });
    }

    VisitView back(UUID visitId, UUID id, BackEntry entry) {
        return writes.on(visitId, logged -> {
            OffPartRow row = get(visitId, id);
            if (entry.count() > row.count) {
                throw Refused.entry(
                        "count",
                        "TOO_MANY",
                        "Only " + row.count + " came off. What is left over is entered as a thing of its own.");
            }
            String note = Objects.requireNonNullElse(entry.note(), "").strip();
            boolean stays = Boolean.TRUE.equals(entry.stays());
            if (stays && note.isEmpty()) {
                throw Refused.entry("note", "MISSING", "Say why it does not go back, and what takes its place.");
            }
            boolean isBack = stays || entry.count() > 0;
            row.backCount = isBack ? entry.count() : null;
            row.light = row.kind == OffPart.Kind.CARTRIDGE && isBack ? entry.light() : null;
            row.menu = row.kind == OffPart.Kind.CARTRIDGE && isBack ? entry.menu() : null;
            row.stays = stays;
            row.backNote = note;
            row.backAt = isBack ? clock.instant() : null;
            row.backBy = isBack ? SignedIn.now().displayName() : null;
            return List.of(parts.saveAndFlush(row));
        });
    }

    VisitView withdraw(UUID visitId, UUID id) {
        return writes.on(visitId, logged -> {
            OffPartRow row = get(visitId, id);
            if (row.withdrawn) {
                return List.of();
            }
            HeadNow before = logged.headNow(clock.instant());
            row.withdrawn = true;
            return saved(logged, row, before);
        });
    }

    /** A ribbon that is called something else, or taken back, is still off: only putting it back gives power. */
    private List<OffPartRow> saved(LoggedVisit logged, OffPartRow row, HeadNow before) {
        Instant now = clock.instant();
        List<OffPartRow> written = List.of(parts.saveAndFlush(row));
        gates.powerNoSooner(before, loader.with(logged, written).headNow(now));
        return written;
    }

    void photo(UUID visitId, UUID id, MultipartFile picture) {
        Photos.Photo taken = shots.of(picture);
        plainWrites.run(() -> {
            loader.lockOpen(visitId);
            return photos.saveAndFlush(new OffPartPhoto(get(visitId, id).id, taken.mediaType(), taken.picture()));
        });
    }

    OffPartPhoto photo(UUID visitId, UUID id) {
        get(visitId, id);
        return photos.findById(id).orElseThrow(() -> Refused.notFound("photo"));
    }

    private OffPartRow get(UUID visitId, UUID id) {
        return own(parts.findById(id).orElseThrow(() -> Refused.notFound("part")), visitId);
    }

    private static OffPartRow own(OffPartRow row, UUID visitId) {
        if (!row.visitId.equals(visitId)) {
            throw Refused.notFound("part");
        }
        return row;
    }
}
