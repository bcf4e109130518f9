package undoknot.server.scan;

import com.drew.imaging.ImageMetadataReader;
import com.drew.imaging.ImageProcessingException;
import com.drew.metadata.Metadata;
import com.drew.metadata.MetadataException;
import com.drew.metadata.exif.ExifIFD0Directory;
import com.drew.metadata.exif.GpsDirectory;
import com.drew.metadata.jfif.JfifDirectory;
import com.drew.metadata.png.PngDirectory;
import com.drew.metadata.xmp.XmpDirectory;
import java.awt.image.BufferedImage;
import java.io.BufferedInputStream;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.util.Arrays;
import java.util.Set;
import java.util.function.BiPredicate;
import java.util.zip.InflaterInputStream;
import javax.imageio.ImageIO;
import org.apache.commons.imaging.ImagingException;
import org.apache.commons.imaging.formats.jpeg.exif.ExifRewriter;
import org.apache.commons.imaging.formats.jpeg.xmp.JpegXmpRewriter;
import org.apache.commons.imaging.formats.tiff.constants.TiffTagConstants;
import org.apache.commons.imaging.formats.tiff.write.TiffOutputSet;

/** What a picture file says of itself: which way up, and where it was taken, which is not kept. */
final class PictureFacts {

    private static final Set<String> PNG_CHUNKS_WITH_FACTS = Set.of("eXIf", "tEXt", "zTXt", "iTXt");
    /** What makes up the picture itself. */
    private static final Set<String> PNG_PICTURE = Set.of("IHDR", "PLTE", "tRNS", "pHYs", "IDAT", "IEND");

    private static final int PNG_SIGNATURE = 8;
    private static final int MARK = 0xff;
    private static final int START_OF_SCAN = 0xda;

    private static final double CM_PER_INCH = 2.54;
    private static final int JFIF_PER_CM = 2;
    private static final int EXIF_PER_INCH = 2;

    /** Facts about a picture are small. */
    private static final int MOST_FACTS = 1 << 16;

    private static final int MOST_INFLATED = 4 << 20;

    private PictureFacts() {}

    /** 1 to 8 as EXIF numbers it; 1 when the file says nothing. */
    static int orientation(SentFile file, Pictures.Kind kind) {
        if (kind == Pictures.Kind.PDF) {
            return 1;
        }
        return orientation(kind == Pictures.Kind.PNG ? SentFile.of(factsOfPng(file.bytes())) : file);
    }

    static int orientation(SentFile file) {
        Metadata facts = facts(file);
        ExifIFD0Directory directory = facts == null ? null : facts.getFirstDirectoryOfType(ExifIFD0Directory.class);
        try {
            return directory == null || !directory.containsTag(ExifIFD0Directory.TAG_ORIENTATION)
                    ? 1
                    : directory.getInt(ExifIFD0Directory.TAG_ORIENTATION);
        } catch (MetadataException e) {
            return 1;
        }
    }

    /** Dots an inch that the file itself names; 0 when it names none. */
    static int dotsPerInch(SentFile file, Pictures.Kind kind) {
        Metadata facts = kind == Pictures.Kind.PDF
                ? null
                : facts(kind == Pictures.Kind.PNG ? SentFile.of(barePng(file.bytes())) : file);
        if (facts == null) {
            return 0;
        }
        for (JfifDirectory jfif : facts.getDirectoriesOfType(JfifDirectory.class)) {
            Integer dots = jfif.getInteger(JfifDirectory.TAG_RESX);
            Integer unit = jfif.getInteger(JfifDirectory.TAG_UNITS);
            if (dots != null && unit != null && unit > 0) {
                return (int) Math.round(unit == JFIF_PER_CM ? dots * CM_PER_INCH : dots);
            }
        }
        for (PngDirectory png : facts.getDirectoriesOfType(PngDirectory.class)) {
            Integer perMetre = png.getInteger(PngDirectory.TAG_PIXELS_PER_UNIT_X);
            if (perMetre != null && Integer.valueOf(1).equals(png.getInteger(PngDirectory.TAG_UNIT_SPECIFIER))) {
                return (int) Math.round(perMetre * CM_PER_INCH / 100);
            }
        }
        ExifIFD0Directory exif = facts.getFirstDirectoryOfType(ExifIFD0Directory.class);
        Integer dots = exif == null ? null : exif.getInteger(ExifIFD0Directory.TAG_X_RESOLUTION);
        Integer unit = exif == null ? null : exif.getInteger(ExifIFD0Directory.TAG_RESOLUTION_UNIT);
        return dots == null || unit == null || unit != EXIF_PER_INCH ? 0 : dots;
    }

    private static Metadata facts(SentFile file) {
        try (InputStream in = file.open()) {
            return ImageMetadataReader.readMetadata(in, file.length());
        } catch (ImageProcessingException | IOException e) {
            // Facts that cannot be read are none; the picture itself is judged when it is decoded.
            return null;
        }
    }

    /** The file as it is kept: as sent, but without position data. Pixels stay as they are. */
    static Picture withoutPlace(
            SentFile file, Pictures.Kind kind, String mediaType, BufferedImage upright, int pages, int every)
            throws IOException {
        return switch (kind) {
            case JPEG -> new Picture(upright, mediaType, () -> Pictures.orDamaged(() -> plainJpeg(file)), 1, every);
            case PNG ->
                orientation(file, kind) > 1
                        ? asPng(upright)
                        : new Picture(upright, mediaType, () -> plainPng(file.bytes()), 1, every);
            case TIFF -> hasPlace(file) ? asPng(upright) : new Picture(upright, mediaType, file::bytes, pages, every);
            case PDF -> new Picture(upright, mediaType, file::bytes, pages, every);
        };
    }

    static boolean hasPlace(SentFile file) {
        Metadata facts = facts(file);
        return facts != null
                && (facts.getFirstDirectoryOfType(GpsDirectory.class) != null
                        || facts.getFirstDirectoryOfType(XmpDirectory.class) != null);
    }

    /** The pixels anew, without loss, where facts cannot be taken out of the file itself. */
    private static Picture asPng(BufferedImage upright) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        ImageIO.write(upright, "png", bytes);
        byte[] png = bytes.toByteArray();
        return new Picture(upright, "image/png", () -> png, 1, 1);
    }

    /** Of all facts only the orientation stays, since the pixels are stored unturned. */
    private static byte[] plainJpeg(SentFile file) throws IOException {
        int orientation = orientation(file);
        try (DataInputStream in = new DataInputStream(new BufferedInputStream(file.open()))) {
            byte[] told = headOfJpeg(in);
            byte[] head = plainHead(told, orientation);
            // The pixels are most of the file: they go from where it lies to their place, and there is no second copy
            // of them.
            byte[] plain = Arrays.copyOf(head, Math.toIntExact(head.length + file.length() - told.length));
            in.readFully(plain, head.length, plain.length - head.length);
            return plain;
        }
    }

    private static byte[] plainHead(byte[] head, int orientation) throws IOException {
        try {
            ByteArrayOutputStream bytes = new ByteArrayOutputStream(head.length);
            new ExifRewriter().removeExifMetadata(head, bytes);
            byte[] plain = bytes.toByteArray();
            bytes.reset();
            new JpegXmpRewriter().removeXmpXml(plain, bytes);
            plain = bytes.toByteArray();
            if (orientation > 1) {
                TiffOutputSet facts = new TiffOutputSet();
                facts.getOrCreateRootDirectory().add(TiffTagConstants.TIFF_TAG_ORIENTATION, (short) orientation);
                bytes.reset();
                new ExifRewriter().updateExifMetadataLossless(plain, bytes, facts);
                plain = bytes.toByteArray();
            }
            return plain;
        } catch (ImagingException e) {
            throw new IOException(e);
        }
    }

    /**
     * What comes before the pixels of a JPEG: a start mark, then segments of two bytes of mark, two of length and content, of which
     * the last one starts the scan.
     */
    private static byte[] headOfJpeg(DataInputStream in) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        DataOutputStream head = new DataOutputStream(bytes);
        head.writeShort(in.readUnsignedShort());
        int mark = 0;
        while (mark != START_OF_SCAN) {
            if (in.readUnsignedByte() != MARK) {
                throw new IOException("no mark where a segment of this JPEG begins");
            }
            head.writeByte(MARK);
            mark = in.readUnsignedByte();
            head.writeByte(mark);
            while (mark == MARK) {
                // Marks may be filled up before.
                mark = in.readUnsignedByte();
                head.writeByte(mark);
            }
            int length = in.readUnsignedShort();
            head.writeShort(length);
            head.write(in.readNBytes(length - 2));
        }
        return bytes.toByteArray();
    }

    private static byte[] plainPng(byte[] file) {
        return chunks(file, (name, length) -> !PNG_CHUNKS_WITH_FACTS.contains(name));
    }

    /** Whether texts and profiles of a PNG stay small when they are inflated; more than a bound is never looked at. */
    static boolean factsAreSmall(byte[] file) {
        boolean[] small = {true};
        chunks(file, (name, length) -> true, (name, at, length) -> {
            int data = switch (name) {
                case "zTXt", "iCCP" -> afterZero(file, at, length, 1) + 1;
                case "iTXt" ->
                    file[Math.min(file.length - 1, afterZero(file, at, length, 1))] == 1
                            ? afterZero(file, at, length, 3)
                            : -1;
                default -> -1;
            };
            small[0] &= data < 0 || data >= at + length || inflatesTo(file, data, at + length - data) <= MOST_INFLATED;
        });
        return small[0];
    }

    /** Where so many zero bytes have passed; of an iTXt, two bytes stand between the first and the second. */
    private static int afterZero(byte[] file, int at, int length, int zeros) {
        int i = at;
        for (int found = 0; i < at + length && found < zeros; i++) {
            if (file[i] == 0) {
                found++;
                i += found == 1 && zeros > 1 ? 2 : 0;
            }
        }
        return i;
    }

    private static long inflatesTo(byte[] file, int at, int length) {
        byte[] buffer = new byte[8192];
        long sum = 0;
        try (InflaterInputStream in = new InflaterInputStream(new ByteArrayInputStream(file, at, length))) {
            int read = in.read(buffer);
            while (read >= 0 && sum <= MOST_INFLATED) {
                sum += read;
                read = in.read(buffer);
            }
        } catch (IOException e) {
            // What does not inflate takes no room.
            return sum;
        }
        return sum;
    }

    private interface Chunk {
        void at(String name, int at, int length);
    }

    /** The picture alone, without what may inflate to any size. */
    static byte[] barePng(byte[] file) {
        return chunks(file, (name, length) -> PNG_PICTURE.contains(name));
    }

    private static byte[] factsOfPng(byte[] file) {
        return chunks(
                file,
                (name, length) ->
                        name.equals("IHDR") || name.equals("IEND") || name.equals("eXIf") && length <= MOST_FACTS);
    }

    /** A PNG is a signature and chunks: length, name, content, check sum. */
    private static byte[] chunks(byte[] file, BiPredicate<String, Integer> wanted) {
        return chunks(file, wanted, (name, at, length) -> {});
    }

    private static byte[] chunks(byte[] file, BiPredicate<String, Integer> wanted, Chunk each) {
        ByteArrayOutputStream out = new ByteArrayOutputStream(file.length);
        out.write(file, 0, PNG_SIGNATURE);
        ByteBuffer in = ByteBuffer.wrap(file);
        int at = PNG_SIGNATURE;
        while (at + 12 <= file.length) {
            int length = in.getInt(at);
            if (length < 0 || at + 12L + length > file.length) {
                break;
            }
            String name = new String(file, at + 4, 4, java.nio.charset.StandardCharsets.US_ASCII);
            each.at(name, at + 8, length);
            if (wanted.test(name, length)) {
                out.write(file, at, 12 + length);
            }
            at += 12 + length;
        }
        return out.toByteArray();
    }
}
