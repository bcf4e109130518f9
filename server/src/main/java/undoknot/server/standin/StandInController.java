package undoknot.server.standin;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.ExampleObject;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import javax.imageio.ImageIO;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.lang.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import undoknot.diagnosis.Cause;
import undoknot.head.CheckLayout;
import undoknot.head.Family;
import undoknot.observation.Look;
import undoknot.observation.Sign;
import undoknot.scan.Jpeg;
import undoknot.server.gate.GateKeeper;
import undoknot.server.head.Families;
import undoknot.server.head.Layouts;
import undoknot.server.problem.Refused;
import undoknot.server.scan.ScanKeeper;
import undoknot.server.scan.SentFile;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.VisitLoader;
import undoknot.simulator.Fault;
import undoknot.simulator.ScanStyle;
import undoknot.simulator.StandInHead;
import undoknot.simulator.StandInPrinter;
import undoknot.simulator.Strokes;

/** The stand-in printer: renders sheets of prepared faults, and prints checks of the demo's stand-in heads. */
@RestController
class StandInController {

    private static final double PRINTED_QUALITY = 0.92;

    private final StandIns standIns;
    private final VisitLoader loader;
    private final Families families;
    private final Layouts layouts;
    private final ScanKeeper keeper;
    private final GateKeeper gates;
    private final Clock clock;

    StandInController(
            StandIns standIns,
            VisitLoader loader,
            Families families,
            Layouts layouts,
            ScanKeeper keeper,
            GateKeeper gates,
            Clock clock) {
        this.standIns = standIns;
        this.loader = loader;
        this.gates = gates;
        this.families = families;
        this.layouts = layouts;
        this.keeper = keeper;
        this.clock = clock;
    }

    /**
     * @param layout id of the check layout
     * @param faults prepared faults; several make a mixture, none a sound head
     * @param seed of the head and of the scan; the same seed gives the same sheet
     */
    record SheetOrder(
            @NotNull(message = "Choose a check layout.") UUID layout,

            @NotNull @Valid @Size(max = 8, message = "Mix at most {max} faults.")
            List<FaultEntry> faults,

            long seed,
            @NotNull(message = "Choose how it is scanned.") ScanStyle style) {}

    /** @param channel where it sits, absent to let the seed choose */
    record FaultEntry(
            @NotNull(message = "Give each fault a cause.") Cause cause,
            @NotNull(message = "Say how bad it is.") Fault.Severity severity,
            @Nullable String channel) {}

    @Operation(
            summary = "Renders a check sheet of a head with prepared faults",
            description = "Always marked as simulated. The same order gives the same picture.",
            requestBody =
                    @io.swagger.v3.oas.annotations.parameters.RequestBody(
                            content =
                                    @Content(
                                            mediaType = "application/json",
                                            schema = @Schema(implementation = SheetOrder.class),
                                            examples =
                                                    @ExampleObject(
                                                            name = "dried ink, folded sheet",
                                                            value =
                                                                    "{\"layout\":\"0195d2a4-7c1e-7b52-9d0a-3f5e8f6a1b2c\",\"faults\":[{\"cause\":\"DRIED_INK\",\"severity\":\"FIRM\",\"channel\":\"C\"}],\"seed\":7,\"style\":\"FOLDED_AND_DIRTY\"}"))),
            responses =
                    @ApiResponse(
                            responseCode = "200",
                            description = "The sheet as PNG",
                            content =
                                    @Content(
                                            mediaType = "image/png",
                                            schema = @Schema(type = "string", format = "binary"))))
    @PostMapping(path = "/api/standin/checks", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> sheet(@Valid @RequestBody SheetOrder order) {
        CheckLayout layout = layouts.get(order.layout());
        Family family = families.get(layout.family(), "layout");
        for (FaultEntry fault : order.faults()) {
            if (fault.channel() != null && family.channel(fault.channel()).isEmpty()) {
                throw Refused.entry("faults", "CHANNEL", "The family has no channel " + fault.channel() + ".");
            }
        }
        List<Fault> faults = order.faults().stream()
                .map(f -> new Fault(f.cause(), f.severity(), f.channel()))
                .toList();
        StandInHead head = new StandInHead(family, faults, order.seed());
        if (head.noCheck().isPresent()) {
            throw Refused.entry("faults", "NO_CHECK", "A head with this fault prints no check.");
        }
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_PNG)
                .body(keeper.inTurn(() -> png(
                        StandInPrinter.print(layout, head.print(), order.style().scanning(), order.seed()))));
    }

    record PrintOrder(
            @NotNull(message = "Choose a check layout.") UUID layout,
            @Nullable ScanStyle style) {}

    record Printed(UUID scanId) {}

    @Operation(summary = "Prints the next check of a stand-in head and keeps the scan with its visit")
    @PutMapping("/api/visits/{visitId}/scans/{id}/stand-in")
    Printed print(@PathVariable UUID visitId, @PathVariable UUID id, @Valid @RequestBody PrintOrder order) {
        LoggedVisit logged = loader.getOpen(visitId);
        if (keeper.find(visitId, id).isPresent()) {
            return new Printed(id);
        }
        gates.pass(gates.ofPrint(logged, clock.instant()), GateKeeper.Departure.NONE);
        ScanStyle style = order.style() == null ? ScanStyle.OFFICE_SCANNER : order.style();
        Strokes strokes = standIns.print(logged, clock.instant());
        long seed = id.getMostSignificantBits() ^ id.getLeastSignificantBits();
        CheckLayout layout = layouts.get(order.layout()).having(logged.intake().channels());
        byte[] sheet = keeper.inTurn(() -> jpeg(StandInPrinter.print(layout, strokes, style.scanning(), seed)));
        keeper.add(visitId, id, order.layout(), new ScanKeeper.Sent("stand-in check.jpg", SentFile.of(sheet), 1), true);
        return new Printed(id);
    }

    /**
     * @param meanwhile what shows besides, to be tapped under "seen by the way"; absent when nothing does
     * @param simulated always true
     */
    record Seen(Sign sign, @Nullable Sign meanwhile, boolean simulated) {}

    @Operation(summary = "What somebody who looks at a stand-in head would find; stores nothing")
    @GetMapping("/api/visits/{visitId}/stand-in/look")
    Seen look(@PathVariable UUID visitId, @RequestParam Look look, @RequestParam(required = false) String channel) {
        LoggedVisit logged = loader.get(visitId);
        if (look.scope() == Look.Scope.CHANNEL
                && (channel == null || logged.family().channel(channel).isEmpty())) {
            throw Refused.entry("channel", "MISSING", "Say in which channel you look.");
        }
        String where = look.scope() == Look.Scope.CHANNEL ? channel : null;
        Instant now = clock.instant();
        return new Seen(
                standIns.look(logged, look, where, now),
                standIns.seenMeanwhile(logged, look, where, now).orElse(null),
                true);
    }

    private static byte[] png(BufferedImage image) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, "png", bytes);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    /** As an office scanner saves it: a tenth of the bytes of a PNG, and sooner. */
    private static byte[] jpeg(BufferedImage image) {
        try {
            return Jpeg.of(image, PRINTED_QUALITY);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
