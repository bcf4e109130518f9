package undoknot.server.scan;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.geom.AffineTransform;
import java.awt.image.AffineTransformOp;
import java.awt.image.BufferedImage;
import java.awt.image.DataBuffer;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Iterator;
import java.util.function.Function;
import java.util.function.Supplier;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.ImageTypeSpecifier;
import javax.imageio.stream.ImageInputStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.io.IOUtils;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.PDXObject;
import org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import undoknot.server.problem.Refused;

/** Decodes scans: PNG, JPEG, and a page of a TIFF or PDF. Sizes are looked at before anything is decoded. */
@Component
class Pictures {

    static final long MOST_BYTES = 40L << 20;
    static final long MOST_PIXELS = 150_000_000;
    private static final int PDF_DPI = 300;

    /** A file may unpack to more bytes than this when it is no more than so many times smaller. */
    private static final long MOST_UNPACKED = 200L << 20;

    private static final long MOST_PACKED = 100;

    /** Longer sides and narrower pictures than these are no scan of a sheet. */
    static final int MOST_SIDE = 30_000;

    static final int MOST_ASPECT = 20;
    static final int MOST_PAGES = 50;

    /** An A4 sheet at 600 dpi has 35 million pixels. Of larger pictures every second or third pixel is taken. */
    private static final long PIXELS_KEPT = 45_000_000;

    private static final int PLAIN_BYTES = 3;

    private static final int ENOUGH_DPI = 290;

    /** A picture with more pixels than this is read alone, since it takes some hundred megabytes. */
    private static final long LARGE = 20_000_000;

    private final Turns turns = new Turns();

    /**
     * What a file says of one of its pages before anything is decoded.
     *
     * @param pages how many the file has
     * @param page the one asked for, from 1
     */
    record Measured(SentFile file, Kind kind, int pages, int page, long pixels) {

        /** A scan finer than dashes need, by its own word: every second pixel of it is a scan that is fine enough. */
        boolean isFinerThanNeeded() {
            return pixels > LARGE && PictureFacts.dotsPerInch(file, kind) >= 2 * ENOUGH_DPI;
        }
    }

    /**
     * Decodes a page and works on it when its turn has come: two at once, large ones alone, each person one. What is refused by
     * its size takes no turn.
     *
     * @param who whose turn it is
     */
    <T> T inTurn(String who, SentFile file, int page, Function<Picture, T> work) {
        return inTurn(who, file, page, work, Function.identity());
    }

    /** @param store keeps what came out of the work, after the picture itself has been let go */
    <T, R> R inTurn(String who, SentFile file, int page, Function<Picture, T> work, Function<T, R> store) {
        return turns.ofPerson(who, () -> {
            int share = turns.toMeasure(() -> measure(file.held(), page).pixels > LARGE ? Turns.ALL : 1);
            return turns.take(who, share, () -> work.apply(decode(measure(file.held(), page))), store);
        });
    }

    /** Makes a picture in the same turn, as large as an ordinary one: a printed stand-in sheet takes as much room. */
    <T> T inTurn(String who, Supplier<T> work) {
        return turns.ofPerson(who, () -> turns.take(who, 1, work, Function.identity()));
    }

    /** A file taken out of the record, laid on the disk from where it is sent however slowly it is taken. */
    SentOut toSend(Supplier<byte[]> file) {
        return turns.toSend(() -> SentOut.of(file.get()));
    }

    /** How many people's pictures are read before that of this person. */
    int before(String who) {
        return turns.before(who);
    }

    /** SHA-256 of a file, hexadecimal. */
    String hash(SentFile file) {
        return turns.toMeasure(() -> {
            try (InputStream in = file.open()) {
                MessageDigest digest = MessageDigest.getInstance("SHA-256");
                new DigestInputStream(in, digest).transferTo(OutputStream.nullOutputStream());
                return HexFormat.of().formatHex(digest.digest());
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            } catch (NoSuchAlgorithmException e) {
                throw new IllegalStateException("every JDK has SHA-256", e);
            }
        });
    }

    enum Kind {
        PNG("image/png"),
        JPEG("image/jpeg"),
        TIFF("image/tiff"),
        PDF("application/pdf");

        /** So many bytes tell the kind. */
        static final int TELLING = 16;

        private final String mediaType;

        Kind(String mediaType) {
            this.mediaType = mediaType;
        }

        /** By the first bytes; names and declared types of files are often wrong. */
        static Kind of(byte[] file) {
            if (starts(file, 0x89, 'P', 'N', 'G')) {
                return PNG;
            }
            if (starts(file, 0xff, 0xd8, 0xff)) {
                return JPEG;
            }
            if (starts(file, 'I', 'I', 42, 0) || starts(file, 'M', 'M', 0, 42)) {
                return TIFF;
            }
            return starts(file, '%', 'P', 'D', 'F') ? PDF : null;
        }

        private static boolean starts(byte[] file, int... bytes) {
            for (int i = 0; i < bytes.length; i++) {
                if (file.length <= i || (file[i] & 255) != bytes[i]) {
                    return false;
                }
            }
            return true;
        }
    }

    Picture decode(SentFile file) {
        return decode(measure(file, 1));
    }

    /** @throws Refused when the file is too large, of another type, or has no such page */
    Measured measure(SentFile file, int page) {
        if (file.length() == 0) {
            throw refused("EMPTY", "The file is empty. Scan the check again.");
        }
        if (file.length() > MOST_BYTES) {
            throw Refused.because(
                    HttpStatus.PAYLOAD_TOO_LARGE,
                    "too-large",
                    "The file has more than 40 MB. Scan at 300 dpi, or save it as JPEG, and send that.");
        }
        Kind kind = Kind.of(file.first(Kind.TELLING));
        if (kind == null) {
            throw refused("TYPE", "This is no PNG, JPEG, TIFF or PDF. Save the scan as one of these.");
        }
        return orDamaged(() -> kind == Kind.PDF ? measurePdf(file, page) : measureImage(file, kind, page));
    }

    /** @throws Refused when the file is cut off, or not what it says it is */
    private Picture decode(Measured measured) {
        return orDamaged(() -> {
            SentFile file = measured.file;
            Decoded decoded = measured.kind == Kind.PDF ? new Decoded(pageOfPdf(measured), 1) : image(measured);
            BufferedImage upright = upright(plain(decoded.image), PictureFacts.orientation(file, measured.kind));
            return PictureFacts.withoutPlace(
                    file, measured.kind, measured.kind.mediaType, upright, measured.pages, decoded.every);
        });
    }

    /** Work on a file that may turn out to be damaged. */
    interface Decoding<T> {
        T go() throws IOException;
    }

    static <T> T orDamaged(Decoding<T> work) {
        try {
            return work.go();
        } catch (IOException | RuntimeException e) {
            if (e instanceof Refused refused) {
                throw refused;
            }
            throw refused("DAMAGED", "The file is damaged or cut off. Scan or send it again.");
        }
    }

    private interface Reading<T> {
        T of(ImageReader reader) throws IOException;
    }

    /** Only what makes up the picture is shown to the reader: texts and profiles may inflate to any size. */
    private static <T> T with(SentFile file, Kind kind, Reading<T> work) throws IOException {
        try (InputStream bare =
                        kind == Kind.PNG ? new ByteArrayInputStream(PictureFacts.barePng(file.bytes())) : file.open();
                ImageInputStream in = ImageIO.createImageInputStream(bare)) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            if (!readers.hasNext()) {
                throw refused("TYPE", "This is no PNG, JPEG, TIFF or PDF. Save the scan as one of these.");
            }
            ImageReader reader = readers.next();
            try {
                reader.setInput(in, kind != Kind.TIFF, true);
                return work.of(reader);
            } finally {
                reader.dispose();
            }
        }
    }

    private static Measured measureImage(SentFile file, Kind kind, int page) throws IOException {
        if (kind == Kind.PNG && !PictureFacts.factsAreSmall(file.bytes())) {
            throw refused("FACTS", "The file carries far more text than a picture. Save it anew, and send that.");
        }
        return with(file, kind, reader -> {
            int pages = kind == Kind.TIFF ? pagesOf(reader) : 1;
            checkPage(page, pages);
            int width = reader.getWidth(page - 1);
            int height = reader.getHeight(page - 1);
            checkPixels(width, height);
            checkUnpacked((long) width * height * bytesPerPixel(reader, page - 1), file.length());
            return new Measured(file, kind, pages, page, (long) width * height);
        });
    }

    private static int pagesOf(ImageReader reader) throws IOException {
        int pages = reader.getNumImages(true);
        if (pages > MOST_PAGES) {
            throw tooManyPages(pages);
        }
        return pages;
    }

    private static Refused tooManyPages(int pages) {
        return refused("PAGES", "The file has " + pages + " pages, more than 50. Send the page with the check alone.");
    }

    private static void checkPage(int page, int pages) {
        if (page < 1 || page > pages) {
            throw Refused.entry(
                    "page",
                    "PAGES",
                    pages == 1 ? "The file has one page." : "The file has " + pages + " pages. Choose one of them.");
        }
    }

    private record Decoded(BufferedImage image, int every) {}

    private static Decoded image(Measured measured) throws IOException {
        return with(measured.file, measured.kind, reader -> {
            boolean[] warned = new boolean[1];
            // A JPEG that ends early is only warned of, and its rest filled with grey.
            reader.addIIOReadWarningListener((source, warning) -> warned[0] = true);
            ImageReadParam param = reader.getDefaultReadParam();
            int fits = everyNth(measured.pixels * bytesPerPixel(reader, measured.page - 1) / PLAIN_BYTES);
            int every = Math.max(fits, measured.isFinerThanNeeded() ? 2 : 1);
            param.setSourceSubsampling(every, every, 0, 0);
            BufferedImage image = reader.read(measured.page - 1, param);
            if (warned[0] && measured.kind == Kind.JPEG) {
                throw refused("DAMAGED", "The file is damaged or cut off. Scan or send it again.");
            }
            return new Decoded(image, every);
        });
    }

    private static int bytesPerPixel(ImageReader reader, int page) throws IOException {
        ImageTypeSpecifier type = reader.getRawImageType(page);
        return type == null
                ? PLAIN_BYTES
                : Math.max(PLAIN_BYTES, (type.getColorModel().getPixelSize() + 7) / 8);
    }

    /** Eight bits a colour, whatever the file has: sixteen bits lose their lower half, transparency shows white. */
    private static BufferedImage plain(BufferedImage image) {
        boolean isPlain = image.getRaster().getTransferType() == DataBuffer.TYPE_BYTE
                && !image.getColorModel().hasAlpha()
                && image.getSampleModel().getNumBands() != 2;
        if (isPlain) {
            return image;
        }
        BufferedImage plain = new BufferedImage(image.getWidth(), image.getHeight(), BufferedImage.TYPE_3BYTE_BGR);
        Graphics2D g = plain.createGraphics();
        g.drawImage(image, 0, 0, Color.WHITE, null);
        g.dispose();
        return plain;
    }

    /** Which share of rows and columns keeps a picture within {@link #PIXELS_KEPT}: 1 for all, 2 for every second. */
    static int everyNth(long pixels) {
        return (int) Math.ceil(Math.sqrt((double) pixels / PIXELS_KEPT));
    }

    private static void checkPixels(long width, long height) {
        if (width * height > MOST_PIXELS) {
            throw refused(
                    "PIXELS",
                    "The picture has " + width * height / 1_000_000
                            + " megapixels, more than 150. Scan at 300 or 600 dpi.");
        }
        long longer = Math.max(width, height);
        if (longer > MOST_SIDE || longer > MOST_ASPECT * Math.min(width, height)) {
            throw refused(
                    "SHAPE",
                    "The picture is " + width + " by " + height + " pixels: no scan of a sheet. Scan the check again.");
        }
    }

    /** Paper has a grain that does not pack so well: what unpacks to so much is no scan, and takes seconds to find empty. */
    private static void checkUnpacked(long bytes, long packed) {
        if (bytes > MOST_UNPACKED && bytes > MOST_PACKED * packed) {
            throw refused(
                    "UNPACKED",
                    "The picture unpacks to " + (bytes >> 20) + " MB, " + bytes / packed
                            + " times its file: that is no scan of paper. Scan at 300 or 600 dpi, eight bits a colour.");
        }
    }

    private static PDDocument open(SentFile file) throws IOException {
        return Loader.loadPDF(file.bytes(), "", null, null, IOUtils.createTempFileOnlyStreamCache());
    }

    private static Measured measurePdf(SentFile file, int page) throws IOException {
        try (PDDocument document = open(file)) {
            int pages = document.getNumberOfPages();
            if (pages == 0) {
                throw refused("EMPTY", "The PDF has no page. Scan the check again.");
            }
            if (pages > MOST_PAGES) {
                throw tooManyPages(pages);
            }
            checkPage(page, pages);
            PDPage wanted = document.getPage(page - 1);
            PDRectangle box = wanted.getCropBox();
            long width = Math.round(box.getWidth() / 72 * PDF_DPI);
            long height = Math.round(box.getHeight() / 72 * PDF_DPI);
            checkPixels(width, height);
            checkImages(wanted.getResources(), 0);
            return new Measured(file, Kind.PDF, pages, page, width * height);
        }
    }

    /** Pictures in a page are decoded whole, so that each has to be within bounds itself. */
    private static void checkImages(PDResources resources, int depth) throws IOException {
        if (resources == null || depth > 4) {
            return;
        }
        for (COSName name : resources.getXObjectNames()) {
            PDXObject object = resources.getXObject(name);
            if (object instanceof PDImageXObject image) {
                checkPixels(image.getWidth(), image.getHeight());
            } else if (object instanceof PDFormXObject form) {
                checkImages(form.getResources(), depth + 1);
            }
        }
    }

    private static BufferedImage pageOfPdf(Measured measured) throws IOException {
        try (PDDocument document = open(measured.file)) {
            PDFRenderer renderer = new PDFRenderer(document);
            renderer.setSubsamplingAllowed(true);
            int every = everyNth(measured.pixels);
            return renderer.renderImageWithDPI(measured.page - 1, (float) PDF_DPI / every, ImageType.RGB);
        }
    }

    /** @param orientation as EXIF numbers it: 1 upright, 3 upside down, 6 and 8 lying, the even ones mirrored */
    static BufferedImage upright(BufferedImage image, int orientation) {
        if (orientation <= 1 || orientation > 8) {
            return image;
        }
        int w = image.getWidth();
        int h = image.getHeight();
        AffineTransform turn = switch (orientation) {
            case 2 -> new AffineTransform(-1, 0, 0, 1, w, 0);
            case 3 -> new AffineTransform(-1, 0, 0, -1, w, h);
            case 4 -> new AffineTransform(1, 0, 0, -1, 0, h);
            case 5 -> new AffineTransform(0, 1, 1, 0, 0, 0);
            case 6 -> new AffineTransform(0, 1, -1, 0, h, 0);
            case 7 -> new AffineTransform(0, -1, -1, 0, h, w);
            default -> new AffineTransform(0, -1, 1, 0, 0, w);
        };
        boolean lies = orientation >= 5;
        BufferedImage out = new BufferedImage(lies ? h : w, lies ? w : h, BufferedImage.TYPE_3BYTE_BGR);
        BufferedImage plain = image;
        if (image.getType() != BufferedImage.TYPE_3BYTE_BGR) {
            plain = new BufferedImage(w, h, BufferedImage.TYPE_3BYTE_BGR);
            plain.createGraphics().drawImage(image, 0, 0, null);
        }
        new AffineTransformOp(turn, AffineTransformOp.TYPE_NEAREST_NEIGHBOR).filter(plain, out);
        return out;
    }

    private static Refused refused(String code, String message) {
        return Refused.entry("image", code, message);
    }
}
