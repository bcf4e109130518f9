package undoknot.server.scan;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Supplier;
import org.springframework.stereotype.Component;
import undoknot.head.CheckLayout;
import undoknot.scan.Jpeg;
import undoknot.scan.Raster;
import undoknot.scan.ScanReader;
import undoknot.scan.SheetNotFound;
import undoknot.scan.SheetReading;
import undoknot.scan.StraightSheet;
import undoknot.server.account.SignedIn;
import undoknot.server.head.CheckLayoutRow;
import undoknot.server.head.Layouts;
import undoknot.server.problem.Refused;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.VisitLoader;
import undoknot.server.write.RepeatableWrite;
import undoknot.server.write.StoredJson;

/** Reads scans and keeps them with their visit: the file, the sheet laid straight, and what was seen. */
@Component
public class ScanKeeper {

    /** Pixels a millimetre of the straight sheet that the screen shows: enough to judge a dash by eye. */
    static final double SHEET_PER_MM = 8;

    private static final int PREVIEW_SIDE = 1600;
    private static final double PRINTED_QUALITY = 0.92;
    private static final double SHEET_QUALITY = 0.82;

    private final Pictures pictures;
    private final Layouts layouts;
    private final VisitLoader loader;
    private final StoredJson stored;
    private final Scans scans;
    private final ScanPictures scanPictures;
    private final RepeatableWrite writes;
    private final Clock clock;

    ScanKeeper(
            Pictures pictures,
            Layouts layouts,
            VisitLoader loader,
            StoredJson stored,
            Scans scans,
            ScanPictures scanPictures,
            RepeatableWrite writes,
            Clock clock) {
        this.pictures = pictures;
        this.layouts = layouts;
        this.loader = loader;
        this.stored = stored;
        this.scans = scans;
        this.scanPictures = scanPictures;
        this.writes = writes;
        this.clock = clock;
    }

    /** @param sheet the sheet laid straight, or null when it could not be placed */
    private record Read(ScanResult result, byte[] sheet) {}

    private record Kept(String mediaType, Supplier<byte[]> file, int width, int height, int pages, Read read) {}

    /** Reads a file without keeping anything. */
    ScanResult read(SentFile file, int page, CheckLayout layout, ScanReader.ByHand byHand) {
        return pictures.inTurn(
                me(), file, page, p -> read(p, layout, byHand, false).result());
    }

    /** Whose turn it is. */
    private static String me() {
        return SignedIn.now().name();
    }

    /** Corners come and go in pixels of the file, whichever of them were decoded. */
    private static Read read(Picture picture, CheckLayout layout, ScanReader.ByHand byHand, boolean withSheet) {
        Raster raster = Raster.of(picture.image());
        try {
            SheetReading reading = ScanReader.read(raster, layout, byHand.scaled(1.0 / picture.every()));
            ScanResult result = ScanResult.of(reading, picture.every());
            if (!withSheet) {
                return new Read(result, null);
            }
            BufferedImage sheet =
                    StraightSheet.of(raster, reading.fit().warp(), layout.widthMm(), layout.heightMm(), SHEET_PER_MM);
            return new Read(result, Jpeg.of(sheet, SHEET_QUALITY));
        } catch (SheetNotFound e) {
            return new Read(ScanResult.of(e), null);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /**
     * A file as it came in.
     *
     * @param page the page to read, from 1
     */
    public record Sent(String fileName, SentFile file, int page) {}

    /**
     * Reads a file and keeps it with a visit. Sent twice under one id it is kept once.
     *
     * @throws Refused when the id already stands for another picture
     */
    public Scan add(UUID visitId, UUID id, UUID layoutId, Sent sent, boolean simulated) {
        Scan known = scans.findById(id).orElse(null);
        if (known != null) {
            return same(known, visitId, pictures.hash(sent.file()));
        }
        CheckLayout layout = layoutFor(loader.getOpen(visitId), layoutId);
        String hash = pictures.hash(sent.file());
        return pictures.inTurn(
                me(),
                sent.file(),
                sent.page(),
                picture -> new Kept(
                        picture.mediaType(),
                        picture.kept(),
                        picture.width(),
                        picture.height(),
                        picture.pages(),
                        read(picture, layout, ScanReader.ByHand.NOTHING, true)),
                kept -> store(new Place(visitId, id, layoutId), sent, hash, kept, simulated));
    }

    private record Place(UUID visitId, UUID id, UUID layoutId) {}

    private Scan store(Place place, Sent sent, String hash, Kept kept, boolean simulated) {
        UUID visitId = place.visitId();
        UUID id = place.id();
        byte[] original = kept.file().get();
        return writes.run(() -> {
            loader.lockOpen(visitId);
            Scan meanwhile = scans.findById(id).orElse(null);
            if (meanwhile != null) {
                return same(meanwhile, visitId, hash);
            }
            Scan scan = new Scan(
                    id,
                    visitId,
                    place.layoutId(),
                    clock.instant(),
                    SignedIn.now().displayName());
            scan.fileName = sent.fileName();
            scan.pages = kept.pages();
            scan.page = kept.pages() == 1 ? 1 : sent.page();
            scan.mediaType = kept.mediaType();
            scan.widthPx = kept.width();
            scan.heightPx = kept.height();
            scan.contentHash = hash;
            scan.result = stored.write(kept.read().result());
            scan.simulated = simulated;
            Scan row = scans.saveAndFlush(scan);
            ScanPicture picture = new ScanPicture(id);
            picture.original = original;
            picture.sheet = kept.read().sheet();
            scanPictures.saveAndFlush(picture);
            return row;
        });
    }

    /** Makes a picture when its turn has come, as one that is sent waits for it. */
    public <T> T inTurn(Supplier<T> work) {
        return pictures.inTurn(me(), work);
    }

    private static Scan same(Scan known, UUID visitId, String hash) {
        if (!known.visitId.equals(visitId) || !known.contentHash.equals(hash)) {
            throw Refused.entry("image", "OTHER", "Another picture was sent under this number. Choose the file again.");
        }
        return known;
    }

    private CheckLayout layoutFor(LoggedVisit logged, UUID layoutId) {
        CheckLayoutRow row = layouts.find(layoutId)
                .filter(l -> l.familyCode.equals(logged.family().code()))
                .orElseThrow(() -> Refused.entry(
                        "layout",
                        "OTHER_FAMILY",
                        "Choose a check layout of " + logged.family().name() + "."));
        return layouts.parse(row).having(logged.intake().channels());
    }

    /** Reads a kept scan again, with corners a person placed. What was accepted from it before stays as it was. */
    Scan readAgain(UUID visitId, UUID id, ScanReader.ByHand byHand) {
        LoggedVisit logged = loader.getOpen(visitId);
        Scan scan = get(visitId, id);
        SentFile original = original(id);
        CheckLayout layout = layouts.get(scan.layoutId).having(logged.intake().channels());
        Read read = pictures.inTurn(me(), original, scan.page, p -> read(p, layout, byHand, true));
        return writes.run(() -> {
            loader.lockOpen(visitId);
            Scan row = get(visitId, id);
            row.byHand = stored.write(byHand);
            row.result = stored.write(read.result());
            Scan kept = scans.saveAndFlush(row);
            ScanPicture pictureRow = picture(id);
            pictureRow.sheet = read.sheet();
            scanPictures.saveAndFlush(pictureRow);
            return kept;
        });
    }

    /** Reads another page of a kept file. Corners placed on the page before go with it. */
    Scan turnTo(UUID visitId, UUID id, int page) {
        LoggedVisit logged = loader.getOpen(visitId);
        Scan scan = get(visitId, id);
        CheckLayout layout = layouts.get(scan.layoutId).having(logged.intake().channels());
        Kept kept = pictures.inTurn(
                me(),
                original(id),
                page,
                p -> new Kept(
                        p.mediaType(),
                        p.kept(),
                        p.width(),
                        p.height(),
                        p.pages(),
                        read(p, layout, ScanReader.ByHand.NOTHING, true)));
        return writes.run(() -> {
            loader.lockOpen(visitId);
            Scan row = get(visitId, id);
            row.page = page;
            row.widthPx = kept.width();
            row.heightPx = kept.height();
            row.byHand = null;
            row.result = stored.write(kept.read().result());
            Scan turned = scans.saveAndFlush(row);
            ScanPicture pictureRow = picture(id);
            pictureRow.sheet = kept.read().sheet();
            scanPictures.saveAndFlush(pictureRow);
            return turned;
        });
    }

    byte[] preview(Scan scan) {
        return preview(original(scan.id), scan.page);
    }

    /** A file as a browser shows it; nothing is kept. */
    byte[] preview(SentFile original, int page) {
        return pictures.inTurn(me(), original, page, p -> small(p.image()));
    }

    private static byte[] small(BufferedImage image) {
        BufferedImage small = Photos.fitted(image, PREVIEW_SIDE);
        try {
            return Jpeg.of(small, SHEET_QUALITY);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    public Optional<Scan> find(UUID visitId, UUID id) {
        return scans.findById(id).filter(s -> s.visitId.equals(visitId));
    }

    public Scan get(UUID visitId, UUID id) {
        return find(visitId, id).orElseThrow(() -> Refused.notFound("scan"));
    }

    ScanPicture picture(UUID id) {
        return scanPictures.findById(id).orElseThrow(() -> Refused.notFound("scan"));
    }

    /** The file of a scan as it was sent. */
    SentOut original(Scan scan) {
        return pictures.toSend(() -> picture(scan.id).original);
    }

    /** A kept file, fetched when its turn has come. */
    private SentFile original(UUID id) {
        return SentFile.fetched(() -> picture(id).original);
    }

    /** How many people's pictures are read before that of the person who asks. */
    int before() {
        return pictures.before(me());
    }
}
