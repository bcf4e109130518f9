package undoknot.server.observation;

import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Digits;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.lang.Nullable;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import undoknot.observation.Look;
import undoknot.observation.Sign;
import undoknot.server.account.SignedIn;
import undoknot.server.fluid.Shelf;
import undoknot.server.gate.GateKeeper;
import undoknot.server.problem.Refused;
import undoknot.server.scan.Photos;
import undoknot.server.view.VisitView;
import undoknot.server.view.VisitWrites;
import undoknot.server.visit.FindingPhoto;
import undoknot.server.visit.FindingPhotos;
import undoknot.server.visit.FindingRow;
import undoknot.server.visit.Findings;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.VisitLoader;
import undoknot.server.write.RepeatableWrite;
import undoknot.treatment.Gates;

/** Recording what looks find. */
@RestController
@RequestMapping("/api/visits/{visitId}/findings/{id}")
class FindingController {

    private final Findings findings;
    private final FindingPhotos photos;
    private final Photos shots;
    private final VisitLoader loader;
    private final GateKeeper gates;
    private final Shelf shelf;
    private final VisitWrites writes;
    private final RepeatableWrite plainWrites;
    private final Clock clock;

    FindingController(
            Findings findings,
            FindingPhotos photos,
            Photos shots,
            VisitLoader loader,
            GateKeeper gates,
            Shelf shelf,
            VisitWrites writes,
            RepeatableWrite plainWrites,
            Clock clock) {
        this.findings = findings;
        this.photos = photos;
        this.shots = shots;
        this.loader = loader;
        this.gates = gates;
        this.shelf = shelf;
        this.writes = writes;
        this.plainWrites = plainWrites;
        this.clock = clock;
    }

    /**
     * @param sign what was found; one of the findings of a look, or a thing seen by the way
     * @param channel where; absent when it is about the whole head
     * @param departureReason why it was looked at against a gate; needed when one is in the way
     * @param doneAnyway that it was looked at although that is never done; a lead logs it
     * @param lotId bottle of the fluid that the look used, with how much
     * @param expectedOn when a fault that a restart cleared is expected back
     * @param others further channels in which the same was found: "all the others free" is one entry
     */
    record FindingEntry(
            @NotNull(message = "Say what you found.") Sign sign,
            @Nullable String channel,

            @Nullable @Size(max = 2000, message = "Keep the note to {max} signs.")
            String note,

            @Nullable @Size(max = 2000, message = "Keep the reason to {max} signs.")
            String departureReason,

            @Nullable Boolean doneAnyway,
            @Nullable UUID lotId,

            @Nullable
            @DecimalMin(value = "0.1", message = "Enter more than 0 mL.")
            @DecimalMax(value = "100", message = "Enter at most 100 mL.")
            @Digits(integer = 6, fraction = 2, message = "Enter millilitres to the hundredth.")
            BigDecimal volumeMl,

            @Nullable LocalDate expectedOn,
            @Nullable List<String> others) {}

    @PutMapping
    VisitView put(@PathVariable UUID visitId, @PathVariable UUID id, @Valid @RequestBody FindingEntry entry) {
        return writes.on(visitId, () -> lock(entry.lotId()), logged -> {
            if (entry.sign().kind() != Sign.Kind.FINDING && !Sign.BY_THE_WAY.contains(entry.sign())) {
                throw Refused.entry("sign", "NOT_A_FINDING", "This is read from checks and attempts, not entered.");
            }
            SignCheck.check(logged.family(), entry.sign(), entry.channel(), "finding");
            FindingRow row = findings.findById(id).orElse(null);
            if (row != null && !row.visitId.equals(visitId)) {
                throw Refused.notFound("finding");
            }
            if (row == null) {
                row = new FindingRow(
                        id,
                        visitId,
                        entry.sign(),
                        entry.channel(),
                        clock.instant(),
                        SignedIn.now().displayName());
                Look look = Look.making(entry.sign()).orElse(null);
                if (look != null) {
                    GateKeeper.Departure why =
                            new GateKeeper.Departure(entry.departureReason(), Boolean.TRUE.equals(entry.doneAnyway()));
                    row.against = gates.pass(gates.ofLook(logged, look), why);
                    row.departureReason = row.against == null ? null : why.text();
                }
            } else if (!says(row, entry)) {
                throw Refused.conflict(row.observation(), entry);
            } else {
                return List.copyOf(others(logged, row, entry));
            }
            row.note = note(entry);
            row.expectedOn = expectedOn(entry);
            List<Object> written = new ArrayList<>();
            if (entry.lotId() != null && entry.volumeMl() != null) {
                row.lotId = entry.lotId();
                row.volumeMl = entry.volumeMl();
                GateKeeper.Departure why =
                        new GateKeeper.Departure(entry.departureReason(), Boolean.TRUE.equals(entry.doneAnyway()));
                gates.pass(Gates.ofFluid(gates.situation(logged, shelf.get(row.lotId), null, null)), why);
                written.add(shelf.drawFor(row.lotId, id, row.volumeMl));
            }
            written.add(findings.saveAndFlush(row));
            written.addAll(others(logged, row, entry));
            return written;
        });
    }

    /** Whether an entry that comes under the key of another says the same. */
    private static boolean says(FindingRow row, FindingEntry entry) {
        boolean drawn = entry.lotId() != null && entry.volumeMl() != null;
        return row.sign == entry.sign()
                && Objects.equals(row.channel, entry.channel())
                && row.note.equals(note(entry))
                && Objects.equals(row.expectedOn, expectedOn(entry))
                && Objects.equals(row.lotId, drawn ? entry.lotId() : null)
                && (!drawn || row.volumeMl.compareTo(entry.volumeMl()) == 0);
    }

    private static String note(FindingEntry entry) {
        return Objects.requireNonNullElse(entry.note(), "").strip();
    }

    private static LocalDate expectedOn(FindingEntry entry) {
        return entry.sign() == Sign.ERROR_EXPECTED_BACK ? entry.expectedOn() : null;
    }

    /** The same in other channels, each under a key that follows from the first: sent twice they are kept once. */
    private List<FindingRow> others(LoggedVisit logged, FindingRow first, FindingEntry entry) {
        List<FindingRow> rows = new ArrayList<>();
        for (String channel : Objects.requireNonNullElse(entry.others(), List.<String>of())) {
            SignCheck.check(logged.family(), entry.sign(), channel, "finding");
            UUID key = UUID.nameUUIDFromBytes((first.id + channel).getBytes(StandardCharsets.UTF_8));
            if (findings.existsById(key)) {
                continue;
            }
            FindingRow row = new FindingRow(key, first.visitId, first.sign, channel, first.foundAt, first.foundBy);
            row.against = first.against;
            row.departureReason = first.departureReason;
            row.note = first.note;
            rows.add(findings.saveAndFlush(row));
        }
        return rows;
    }

    private void lock(UUID lotId) {
        if (lotId != null) {
            shelf.lock(lotId);
        }
    }

    /** Takes back what was entered by mistake; it stays in the history. */
    @PutMapping("/withdrawal")
    VisitView withdraw(@PathVariable UUID visitId, @PathVariable UUID id) {
        return writes.on(visitId, logged -> {
            FindingRow row = own(visitId, id);
            List<Object> written = new ArrayList<>();
            if (row.lotId != null && !row.withdrawn) {
                shelf.putBackFor(row.lotId, id);
                written.add(shelf.get(row.lotId));
            }
            row.withdrawn = true;
            written.add(findings.saveAndFlush(row));
            return written;
        });
    }

    @PutMapping(path = "/photo", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    void photo(@PathVariable UUID visitId, @PathVariable UUID id, @RequestParam("image") MultipartFile image)
            throws IOException {
        Photos.Photo taken = shots.of(image);
        plainWrites.run(() -> {
            loader.lockOpen(visitId);
            return photos.saveAndFlush(new FindingPhoto(own(visitId, id).id, taken.mediaType(), taken.picture()));
        });
    }

    @GetMapping("/photo")
    @Transactional(readOnly = true)
    public ResponseEntity<byte[]> photo(@PathVariable UUID visitId, @PathVariable UUID id) {
        own(visitId, id);
        FindingPhoto photo = photos.findById(id).orElseThrow(() -> Refused.notFound("photo"));
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(photo.mediaType))
                .header("X-Content-Type-Options", "nosniff")
                .body(photo.picture);
    }

    private FindingRow own(UUID visitId, UUID id) {
        return findings.findById(id)
                .filter(row -> row.visitId.equals(visitId))
                .orElseThrow(() -> Refused.notFound("finding"));
    }
}
