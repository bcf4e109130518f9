package undoknot.server.scan;

import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Clock;
import java.util.HexFormat;
import java.util.Optional;
import java.util.UUID;
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

    private record Kept(String mediaType, byte[] file, int width, int height, Read read) {}

    /** Reads a file without keeping anything. */
    ScanResult read(byte[] file, CheckLayout layout, ScanReader.ByHand byHand) {
        return pictures.inTurn(
                () -> read(pictures.decode(file).image(), layout, byHand, false).result());
    }

    private static Read read(BufferedImage image, CheckLayout layout, ScanReader.ByHand byHand, boolean withSheet) {
        Raster raster = Raster.of(image);
        try {
            SheetReading reading = ScanReader.read(raster, layout, byHand);
            if (!withSheet) {
                return new Read(ScanResult.of(reading), null);
            }
            BufferedImage sheet =
                    StraightSheet.of(raster, reading.fit().plane(), layout.widthMm(), layout.heightMm(), SHEET_PER_MM);
            return new Read(ScanResult.of(reading), Jpeg.of(sheet, SHEET_QUALITY));
        } catch (SheetNotFound e) {
            return new Read(ScanResult.of(e), null);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /**
     * Reads a file and keeps it with a visit. Sent twice under one id it is kept once.
     *
     * @throws Refused when the id already stands for another picture
     */
    public Scan add(UUID visitId, UUID id, UUID layoutId, String fileName, byte[] file, boolean simulated) {
        String hash = hash(file);
        Scan known = scans.findById(id).orElse(null);
        if (known != null) {
            return same(known, visitId, hash);
        }
        CheckLayout layout = layoutFor(loader.getOpen(visitId), layoutId);
        // The decoded image is let go before anything waits for the database.
        Kept kept = pictures.inTurn(() -> {
            Picture picture = pictures.decode(file);
            return new Kept(
                    picture.mediaType(),
                    picture.kept(),
                    picture.image().getWidth(),
                    picture.image().getHeight(),
                    read(picture.image(), layout, ScanReader.ByHand.NOTHING, true));
        });
        return writes.run(() -> {
            Scan meanwhile = scans.findById(id).orElse(null);
            if (meanwhile != null) {
                return same(meanwhile, visitId, hash);
            }
            Scan scan = new Scan(
                    id, visitId, layoutId, clock.instant(), SignedIn.now().displayName());
            scan.fileName = fileName;
            scan.mediaType = kept.mediaType();
            scan.widthPx = kept.width();
            scan.heightPx = kept.height();
            scan.contentHash = hash;
            scan.result = stored.write(kept.read().result());
            scan.simulated = simulated;
            Scan row = scans.saveAndFlush(scan);
            ScanPicture picture = new ScanPicture(id);
            picture.original = kept.file();
            picture.sheet = kept.read().sheet();
            scanPictures.saveAndFlush(picture);
            return row;
        });
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
        byte[] original = picture(id).original;
        CheckLayout layout = layouts.get(scan.layoutId).having(logged.intake().channels());
        Read read = pictures.inTurn(() -> read(pictures.decode(original).image(), layout, byHand, true));
        return writes.run(() -> {
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

    byte[] preview(UUID id) {
        return preview(picture(id).original);
    }

    /** A file as a browser shows it; nothing is kept. */
    byte[] preview(byte[] original) {
        return pictures.inTurn(() -> small(pictures.decode(original).image()));
    }

    private static byte[] small(BufferedImage image) {
        double scale = Math.min(1, (double) PREVIEW_SIDE / Math.max(image.getWidth(), image.getHeight()));
        int width = (int) Math.max(1, Math.round(image.getWidth() * scale));
        int height = (int) Math.max(1, Math.round(image.getHeight() * scale));
        BufferedImage small = new BufferedImage(width, height, BufferedImage.TYPE_3BYTE_BGR);
        Graphics2D g = small.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        g.drawImage(image, 0, 0, width, height, null);
        g.dispose();
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

    private static String hash(byte[] file) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(file));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every JDK has SHA-256", e);
        }
    }
}
