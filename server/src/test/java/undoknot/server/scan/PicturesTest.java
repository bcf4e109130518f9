package undoknot.server.scan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.awt.Color;
import java.awt.Transparency;
import java.awt.color.ColorSpace;
import java.awt.image.BufferedImage;
import java.awt.image.ColorModel;
import java.awt.image.ComponentColorModel;
import java.awt.image.DataBuffer;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.util.Arrays;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.zip.CRC32;
import javax.imageio.ImageIO;
import org.apache.commons.imaging.formats.jpeg.exif.ExifRewriter;
import org.apache.commons.imaging.formats.tiff.constants.TiffTagConstants;
import org.apache.commons.imaging.formats.tiff.write.TiffOutputSet;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import undoknot.server.problem.Refused;

class PicturesTest {

    private final Pictures pictures = new Pictures();

    /** 40 × 30 pixels, the upper left quarter red. */
    private static BufferedImage image() {
        BufferedImage image = new BufferedImage(40, 30, BufferedImage.TYPE_3BYTE_BGR);
        var g = image.createGraphics();
        g.setColor(Color.WHITE);
        g.fillRect(0, 0, 40, 30);
        g.setColor(Color.RED);
        g.fillRect(0, 0, 20, 15);
        g.dispose();
        return image;
    }

    private static boolean red(BufferedImage image, int x, int y) {
        Color colour = new Color(image.getRGB(x, y));
        return colour.getRed() > 180 && colour.getGreen() < 90;
    }

    @ParameterizedTest
    @ValueSource(strings = {"png", "jpeg", "tiff"})
    void pictures_of_each_kind_are_decoded(String format) {
        Picture picture = pictures.decode(SentFile.of(Sheets.file(image(), format)));
        assertThat(picture.image().getWidth()).isEqualTo(40);
        assertThat(red(picture.image(), 5, 5)).isTrue();
        assertThat(red(picture.image(), 35, 25)).isFalse();
        assertThat(picture.mediaType()).isEqualTo("image/" + format);
    }

    @Test
    void the_first_page_of_a_pdf_is_drawn_at_300_dpi() throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (PDDocument document = new PDDocument()) {
            PDPage page = new PDPage(new PDRectangle(144, 72));
            document.addPage(page);
            try (PDPageContentStream content = new PDPageContentStream(document, page)) {
                content.setNonStrokingColor(1f, 0, 0);
                content.addRect(0, 36, 72, 36);
                content.fill();
            }
            document.save(bytes);
        }
        Picture picture = pictures.decode(SentFile.of(bytes.toByteArray()));
        assertThat(picture.image().getWidth()).isEqualTo(600);
        assertThat(picture.image().getHeight()).isEqualTo(300);
        assertThat(red(picture.image(), 100, 50)).isTrue();
        assertThat(red(picture.image(), 500, 250)).isFalse();
    }

    /** Where the red quarter, upper left in the file, stands once the picture is turned as its file says. */
    @ParameterizedTest
    @CsvSource({
        "1,LEFT,TOP",
        "2,RIGHT,TOP",
        "3,RIGHT,BOTTOM",
        "4,LEFT,BOTTOM",
        "5,LEFT,TOP",
        "6,RIGHT,TOP",
        "7,RIGHT,BOTTOM",
        "8,LEFT,BOTTOM"
    })
    void orientation_is_honoured(int orientation, String side, String end) {
        BufferedImage turned = Pictures.upright(image(), orientation);
        assertThat(turned.getWidth()).isEqualTo(orientation < 5 ? 40 : 30);
        int x = side.equals("LEFT") ? 3 : turned.getWidth() - 4;
        int y = end.equals("TOP") ? 3 : turned.getHeight() - 4;
        assertThat(red(turned, x, y)).isTrue();
        assertThat(red(turned, turned.getWidth() - 1 - x, turned.getHeight() - 1 - y))
                .isFalse();
    }

    @Test
    void position_is_taken_out_and_orientation_stays() throws Exception {
        TiffOutputSet facts = new TiffOutputSet();
        facts.getOrCreateRootDirectory().add(TiffTagConstants.TIFF_TAG_ORIENTATION, (short) 6);
        facts.setGpsInDegrees(12.5, 54.1);
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        new ExifRewriter().updateExifMetadataLossless(Sheets.file(image(), "jpeg"), bytes, facts);
        byte[] photo = bytes.toByteArray();
        assertThat(PictureFacts.hasPlace(SentFile.of(photo))).isTrue();
        Picture picture = pictures.decode(SentFile.of(photo));
        assertThat(PictureFacts.hasPlace(SentFile.of(picture.kept().get()))).isFalse();
        assertThat(PictureFacts.orientation(SentFile.of(picture.kept().get()))).isEqualTo(6);
        assertThat(picture.image().getWidth()).isEqualTo(30);
        assertThat(pictures.decode(SentFile.of(picture.kept().get())).image().getWidth())
                .isEqualTo(30);
    }

    /** What follows the head of the scan is the picture itself; a progressive one has several scans. */
    @ParameterizedTest
    @ValueSource(booleans = {false, true})
    void pixels_of_a_jpeg_stay_as_they_are_when_its_facts_are_taken_out(boolean isProgressive) throws Exception {
        byte[] bare = Sheets.jpeg(Sheets.print(3), isProgressive);
        TiffOutputSet facts = new TiffOutputSet();
        facts.setGpsInDegrees(12.5, 54.1);
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        new ExifRewriter().updateExifMetadataLossless(bare, bytes, facts);
        byte[] told = bytes.toByteArray();
        assertThat(PictureFacts.hasPlace(SentFile.of(told))).isTrue();
        assertThat(pictures.decode(SentFile.of(told)).kept().get()).isEqualTo(bare);
        // A mark may be filled up with any number of its own first byte: here that of the first segment.
        byte[] filled = ByteBuffer.allocate(told.length + 3)
                .put(told, 0, 3)
                .put(new byte[] {-1, -1, -1})
                .put(told, 3, told.length - 3)
                .array();
        assertThat(PictureFacts.hasPlace(
                        SentFile.of(pictures.decode(SentFile.of(filled)).kept().get())))
                .isFalse();
    }

    @Test
    void a_file_of_the_record_is_fetched_to_be_measured_and_to_be_read_and_not_more_often() {
        AtomicInteger fetched = new AtomicInteger();
        byte[] file = Sheets.file(image(), "png");
        SentFile kept = SentFile.fetched(() -> {
            fetched.incrementAndGet();
            return file;
        });
        assertThat(pictures.<Integer>inTurn("anna", kept, 1, Picture::width)).isEqualTo(40);
        assertThat(fetched).hasValue(2);
    }

    @Test
    void text_in_a_png_is_taken_out_too() {
        byte[] png = Sheets.file(image(), "png");
        byte[] place = chunk("tEXt", "Comment\0 54.1 N 12.5 E".getBytes());
        byte[] told = new byte[png.length + place.length];
        // Signature and header chunk are 8 + 25 bytes.
        System.arraycopy(png, 0, told, 0, 33);
        System.arraycopy(place, 0, told, 33, place.length);
        System.arraycopy(png, 33, told, 33 + place.length, png.length - 33);
        assertThat(pictures.decode(SentFile.of(told)).kept().get()).isEqualTo(png);
    }

    private static byte[] chunk(String name, byte[] content) {
        ByteBuffer chunk = ByteBuffer.allocate(12 + content.length);
        chunk.putInt(content.length).put(name.getBytes()).put(content);
        CRC32 sum = new CRC32();
        sum.update(chunk.array(), 4, 4 + content.length);
        return chunk.putInt((int) sum.getValue()).array();
    }

    private void refused(byte[] file, String message) {
        assertThatThrownBy(() -> pictures.decode(SentFile.of(file)))
                .isInstanceOf(Refused.class)
                .hasMessageContaining(message);
    }

    @ParameterizedTest
    @ValueSource(strings = {"png", "jpeg", "tiff"})
    void a_file_that_is_cut_off_is_sent_back(String format) {
        byte[] whole = Sheets.file(Sheets.print(2), format);
        refused(Arrays.copyOf(whole, whole.length / 2), "damaged or cut off");
    }

    @Test
    void other_files_are_sent_back() {
        refused(new byte[0], "empty");
        refused("GIF89a and so on".getBytes(), "PNG, JPEG, TIFF or PDF");
        refused("%PDF-1.7 nothing more".getBytes(), "damaged");
    }

    @Test
    void more_than_forty_megabytes_are_not_looked_into() {
        byte[] large = new byte[(int) Pictures.MOST_BYTES + 1];
        large[0] = (byte) 0x89;
        refused(large, "more than 40 MB");
    }

    /** A few bytes that claim 400 megapixels: nothing is decoded. */
    @Test
    void a_picture_that_would_fill_the_memory_is_refused_by_its_size() {
        refused(claiming(20_000, 20_000), "400 megapixels");
    }

    static byte[] claiming(int width, int height) {
        byte[] png = Sheets.file(image(), "png");
        ByteBuffer header = ByteBuffer.wrap(png);
        header.putInt(16, width).putInt(20, height);
        CRC32 sum = new CRC32();
        sum.update(png, 12, 17);
        header.putInt(29, (int) sum.getValue());
        return png;
    }

    @ParameterizedTest
    @CsvSource({"149000000,1", "1,149000000", "30001,2000", "2100,100"})
    void a_picture_of_an_impossible_shape_is_refused_by_its_header(int width, int height) {
        refused(claiming(width, height), "no scan of a sheet");
    }

    /** Zeros that inflate to more than a picture, in each chunk that is squeezed. */
    @ParameterizedTest
    @ValueSource(strings = {"zTXt", "iTXt", "iCCP"})
    void text_and_profiles_that_inflate_to_any_size_are_refused(String name) throws IOException {
        ByteArrayOutputStream squeezed = new ByteArrayOutputStream();
        try (var out = new java.util.zip.DeflaterOutputStream(squeezed)) {
            byte[] zeros = new byte[1 << 20];
            for (int i = 0; i < 6; i++) {
                out.write(zeros);
            }
        }
        byte[] head = name.equals("iTXt") ? "Comment\0\1\0\0\0".getBytes() : "Comment\0\0".getBytes();
        byte[] content = Arrays.copyOf(head, head.length + squeezed.size());
        System.arraycopy(squeezed.toByteArray(), 0, content, head.length, squeezed.size());
        refused(with(chunk(name, content)), "more text than a picture");
        byte[] little = "Comment\0 plain".getBytes();
        assertThat(pictures.decode(SentFile.of(with(chunk("tEXt", little))))
                        .image()
                        .getWidth())
                .isEqualTo(40);
    }

    /** The picture with one more chunk after its header; signature and header are 8 + 25 bytes. */
    private static byte[] with(byte[] chunk) {
        byte[] png = Sheets.file(image(), "png");
        byte[] told = new byte[png.length + chunk.length];
        System.arraycopy(png, 0, told, 0, 33);
        System.arraycopy(chunk, 0, told, 33, chunk.length);
        System.arraycopy(png, 33, told, 33 + chunk.length, png.length - 33);
        return told;
    }

    @ParameterizedTest
    @ValueSource(strings = {"png", "tiff"})
    void sixteen_bits_a_colour_are_read(String format) {
        var model = new java.awt.image.ComponentColorModel(
                java.awt.color.ColorSpace.getInstance(java.awt.color.ColorSpace.CS_sRGB),
                false,
                false,
                java.awt.Transparency.OPAQUE,
                java.awt.image.DataBuffer.TYPE_USHORT);
        BufferedImage deep = new BufferedImage(model, model.createCompatibleWritableRaster(40, 30), false, null);
        deep.createGraphics().drawImage(image(), 0, 0, null);
        Picture picture = pictures.decode(SentFile.of(Sheets.file(deep, format)));
        assertThat(red(picture.image(), 5, 5)).isTrue();
        assertThat(red(picture.image(), 35, 25)).isFalse();
    }

    @Test
    void a_page_of_a_tiff_is_chosen() throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        var writer = javax.imageio.ImageIO.getImageWritersByFormatName("tiff").next();
        try (var out = javax.imageio.ImageIO.createImageOutputStream(bytes)) {
            writer.setOutput(out);
            writer.prepareWriteSequence(null);
            for (int width : new int[] {40, 50, 60}) {
                BufferedImage page = new BufferedImage(width, 30, BufferedImage.TYPE_3BYTE_BGR);
                writer.writeToSequence(new javax.imageio.IIOImage(page, null, null), null);
            }
            writer.endWriteSequence();
        } finally {
            writer.dispose();
        }
        byte[] file = bytes.toByteArray();
        Picture second = pictures.inTurn("anna", SentFile.of(file), 2, p -> p);
        assertThat(second.image().getWidth()).isEqualTo(50);
        assertThat(second.pages()).isEqualTo(3);
        assertThatThrownBy(() -> pictures.measure(SentFile.of(file), 4)).hasMessageContaining("3 pages");
        assertThatThrownBy(() -> pictures.measure(SentFile.of(file), 0)).hasMessageContaining("3 pages");
    }

    @Test
    void a_page_of_a_pdf_is_chosen_and_its_pictures_are_bounded() throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (PDDocument document = new PDDocument()) {
            document.addPage(new PDPage(new PDRectangle(144, 72)));
            PDPage second = new PDPage(new PDRectangle(72, 72));
            document.addPage(second);
            var image = org.apache.pdfbox.pdmodel.graphics.image.LosslessFactory.createFromImage(document, image());
            try (PDPageContentStream content = new PDPageContentStream(document, second)) {
                content.drawImage(image, 0, 0, 72, 72);
            }
            document.save(bytes);
            byte[] file = bytes.toByteArray();
            Picture picture = pictures.inTurn("anna", SentFile.of(file), 2, p -> p);
            assertThat(picture.image().getWidth()).isEqualTo(300);
            assertThat(picture.pages()).isEqualTo(2);
            image.setWidth(20_000);
            image.setHeight(20_000);
            bytes.reset();
            document.save(bytes);
        }
        assertThatThrownBy(() -> pictures.measure(SentFile.of(bytes.toByteArray()), 2))
                .hasMessageContaining("400 megapixels");
        assertThat(pictures.measure(SentFile.of(bytes.toByteArray()), 1).pages())
                .isEqualTo(2);
    }

    @ParameterizedTest
    @CsvSource({"1000000,1", "45000000,1", "46000000,2", "139000000,2", "150000000,2"})
    void of_huge_pictures_not_every_pixel_is_kept(long pixels, int every) {
        assertThat(Pictures.everyNth(pixels)).isEqualTo(every);
    }

    /** 8,000 by 6,000 white pixels of 16 bits with transparency unpack to 366 MB. */
    @Test
    void what_unpacks_to_far_more_than_paper_does_is_refused_before_it_is_decoded() throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        ColorModel model = new ComponentColorModel(
                ColorSpace.getInstance(ColorSpace.CS_sRGB),
                true,
                false,
                Transparency.TRANSLUCENT,
                DataBuffer.TYPE_USHORT);
        BufferedImage strip = new BufferedImage(model, model.createCompatibleWritableRaster(8_000, 6_000), false, null);
        ImageIO.write(strip, "png", bytes);
        assertThatThrownBy(() -> pictures.measure(SentFile.of(bytes.toByteArray()), 1))
                .hasMessageContaining("unpacks to 366 MB")
                .hasMessageContaining("no scan of paper");
    }

    @Test
    void a_scan_says_how_fine_it_is_in_each_format() throws IOException {
        assertThat(PictureFacts.dotsPerInch(SentFile.of(Sheets.jpeg(image(), 600)), Pictures.Kind.JPEG))
                .isEqualTo(600);
        assertThat(PictureFacts.dotsPerInch(SentFile.of(Sheets.png(image(), 600)), Pictures.Kind.PNG))
                .isEqualTo(600);
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        ImageIO.write(image(), "png", bytes);
        assertThat(PictureFacts.dotsPerInch(SentFile.of(bytes.toByteArray()), Pictures.Kind.PNG))
                .isZero();
    }

    @Test
    void a_pdf_page_the_size_of_a_wall_is_refused() throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (PDDocument document = new PDDocument()) {
            document.addPage(new PDPage(new PDRectangle(14_400, 14_400)));
            document.save(bytes);
        }
        refused(bytes.toByteArray(), "megapixels");
    }
}
