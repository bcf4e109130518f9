package undoknot.server.scan;

import java.awt.geom.AffineTransform;
import java.awt.image.AffineTransformOp;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.Iterator;
import java.util.concurrent.Semaphore;
import java.util.function.Supplier;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import undoknot.server.problem.Refused;

/** Decodes scans: PNG, JPEG, TIFF and the first page of a PDF. Sizes are looked at before anything is decoded. */
@Component
class Pictures {

    static final long MOST_BYTES = 40L << 20;
    static final long MOST_PIXELS = 150_000_000;
    private static final int PDF_DPI = 300;

    /** An A4 sheet at 600 dpi has 35 million pixels. Of larger pictures every second or third pixel is taken. */
    private static final long PIXELS_KEPT = 45_000_000;

    /** A large scan takes some hundred megabytes while it is read, so one is read at a time. */
    private final Semaphore turn = new Semaphore(1, true);

    /** Runs what decodes and reads a picture when its turn has come. */
    <T> T inTurn(Supplier<T> work) {
        turn.acquireUninterruptibly();
        try {
            return work.get();
        } finally {
            turn.release();
        }
    }

    enum Kind {
        PNG("image/png"),
        JPEG("image/jpeg"),
        TIFF("image/tiff"),
        PDF("application/pdf");

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

    /**
     * @throws Refused when the file is too large, of another type, cut off, or not what it says it is
     */
    Picture decode(byte[] file) {
        if (file.length == 0) {
            throw refused("EMPTY", "The file is empty. Scan the check again.");
        }
        if (file.length > MOST_BYTES) {
            throw Refused.because(
                    HttpStatus.PAYLOAD_TOO_LARGE,
                    "too-large",
                    "The file has more than 40 MB. Scan at 300 dpi, or save it as JPEG, and send that.");
        }
        Kind kind = Kind.of(file);
        if (kind == null) {
            throw refused("TYPE", "This is no PNG, JPEG, TIFF or PDF. Save the scan as one of these.");
        }
        try {
            BufferedImage image = kind == Kind.PDF ? firstPage(file) : image(file);
            BufferedImage upright = upright(image, PictureFacts.orientation(file));
            return PictureFacts.withoutPlace(file, kind, kind.mediaType, upright);
        } catch (IOException | RuntimeException e) {
            if (e instanceof Refused refused) {
                throw refused;
            }
            throw refused("DAMAGED", "The file is damaged or cut off. Scan or send it again.");
        }
    }

    private static BufferedImage image(byte[] file) throws IOException {
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(file))) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            if (!readers.hasNext()) {
                throw refused("TYPE", "This is no PNG, JPEG, TIFF or PDF. Save the scan as one of these.");
            }
            ImageReader reader = readers.next();
            boolean[] warned = new boolean[1];
            try {
                reader.setInput(in, true, true);
                checkPixels(reader.getWidth(0), reader.getHeight(0));
                // A JPEG that ends early is only warned of, and its rest filled with grey.
                reader.addIIOReadWarningListener((source, warning) -> warned[0] = true);
                ImageReadParam param = reader.getDefaultReadParam();
                int every = everyNth((long) reader.getWidth(0) * reader.getHeight(0));
                param.setSourceSubsampling(every, every, 0, 0);
                BufferedImage image = reader.read(0, param);
                if (warned[0]) {
                    throw refused("DAMAGED", "The file is damaged or cut off. Scan or send it again.");
                }
                return image;
            } finally {
                reader.dispose();
            }
        }
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
    }

    private static BufferedImage firstPage(byte[] file) throws IOException {
        try (PDDocument document = Loader.loadPDF(file)) {
            if (document.getNumberOfPages() == 0) {
                throw refused("EMPTY", "The PDF has no page. Scan the check again.");
            }
            PDRectangle page = document.getPage(0).getCropBox();
            checkPixels(Math.round(page.getWidth() / 72 * PDF_DPI), Math.round(page.getHeight() / 72 * PDF_DPI));
            int every = everyNth((long) (page.getWidth() / 72 * PDF_DPI * page.getHeight() / 72 * PDF_DPI));
            return new PDFRenderer(document).renderImageWithDPI(0, (float) PDF_DPI / every, ImageType.RGB);
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
