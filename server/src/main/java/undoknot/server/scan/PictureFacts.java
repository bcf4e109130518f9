package undoknot.server.scan;

import com.drew.imaging.ImageMetadataReader;
import com.drew.imaging.ImageProcessingException;
import com.drew.metadata.Metadata;
import com.drew.metadata.MetadataException;
import com.drew.metadata.exif.ExifIFD0Directory;
import com.drew.metadata.exif.GpsDirectory;
import com.drew.metadata.xmp.XmpDirectory;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.util.Set;
import javax.imageio.ImageIO;
import org.apache.commons.imaging.ImagingException;
import org.apache.commons.imaging.formats.jpeg.exif.ExifRewriter;
import org.apache.commons.imaging.formats.jpeg.xmp.JpegXmpRewriter;
import org.apache.commons.imaging.formats.tiff.constants.TiffTagConstants;
import org.apache.commons.imaging.formats.tiff.write.TiffOutputSet;

/** What a picture file says of itself: which way up, and where it was taken, which is not kept. */
final class PictureFacts {

    private static final Set<String> PNG_CHUNKS_WITH_FACTS = Set.of("eXIf", "tEXt", "zTXt", "iTXt");
    private static final int PNG_SIGNATURE = 8;

    private PictureFacts() {}

    /** 1 to 8 as EXIF numbers it; 1 when the file says nothing. */
    static int orientation(byte[] file) {
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

    private static Metadata facts(byte[] file) {
        try {
            return ImageMetadataReader.readMetadata(new ByteArrayInputStream(file), file.length);
        } catch (ImageProcessingException | IOException e) {
            // Facts that cannot be read are none; the picture itself is judged when it is decoded.
            return null;
        }
    }

    /** The file as it is kept: as sent, but without position data. Pixels stay as they are. */
    static Picture withoutPlace(byte[] file, Pictures.Kind kind, String mediaType, BufferedImage upright)
            throws IOException {
        return switch (kind) {
            case JPEG -> new Picture(upright, mediaType, plainJpeg(file));
            case PNG -> new Picture(upright, mediaType, plainPng(file));
            case TIFF -> hasPlace(file) ? asPng(upright) : new Picture(upright, mediaType, file);
            case PDF -> hasPlace(file) ? asPng(upright) : new Picture(upright, mediaType, file);
        };
    }

    static boolean hasPlace(byte[] file) {
        Metadata facts = facts(file);
        return facts != null
                && (facts.getFirstDirectoryOfType(GpsDirectory.class) != null
                        || facts.getFirstDirectoryOfType(XmpDirectory.class) != null);
    }

    /** The pixels anew, without loss, where facts cannot be taken out of the file itself. */
    private static Picture asPng(BufferedImage upright) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        ImageIO.write(upright, "png", bytes);
        return new Picture(upright, "image/png", bytes.toByteArray());
    }

    /** Of all facts only the orientation stays, since the pixels are stored unturned. */
    private static byte[] plainJpeg(byte[] file) throws IOException {
        try {
            int orientation = orientation(file);
            ByteArrayOutputStream bytes = new ByteArrayOutputStream(file.length);
            new ExifRewriter().removeExifMetadata(file, bytes);
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

    /** A PNG is a signature and chunks: length, name, content, check sum. */
    private static byte[] plainPng(byte[] file) {
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
            if (!PNG_CHUNKS_WITH_FACTS.contains(name)) {
                out.write(file, at, 12 + length);
            }
            at += 12 + length;
        }
        return out.toByteArray();
    }
}
