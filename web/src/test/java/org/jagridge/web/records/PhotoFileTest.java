package org.jagridge.web.records;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Base64;
import javax.imageio.ImageIO;
import org.testng.annotations.Test;

/** A photo is what can be decoded; a large one is scaled down and stood upright. */
public class PhotoFileTest {
    /** One red pixel, in a format that the JDK doesn't know by itself. */
    private static final String WEBP = "UklGRiQAAABXRUJQVlA4IBgAAAAwAQCdASoBAAEAAwA0JaQAA3AA/vuUAAA=";

    private static byte[] picture(int width, int height, String format) throws IOException {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = image.createGraphics();
        g.setColor(Color.RED);
        g.fillRect(0, 0, width / 2, height);
        g.dispose();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, format, out);
        return out.toByteArray();
    }

    /** The same JPEG, said to be turned by a quarter, as phones do. */
    private static byte[] turned(byte[] jpeg) {
        byte[] exif = {
            (byte) 0xff,
            (byte) 0xe1,
            0,
            34,
            'E',
            'x',
            'i',
            'f',
            0,
            0,
            'M',
            'M',
            0,
            42,
            0,
            0,
            0,
            8,
            0,
            1,
            1,
            0x12,
            0,
            3,
            0,
            0,
            0,
            1,
            0,
            6,
            0,
            0,
            0,
            0,
            0,
            0
        };
        byte[] with = new byte[jpeg.length + exif.length];
        // behind the first marker, which says that it is a JPEG file
        int at = 4 + jpeg[5];
        System.arraycopy(jpeg, 0, with, 0, at);
        System.arraycopy(exif, 0, with, at, exif.length);
        System.arraycopy(jpeg, at, with, at + exif.length, jpeg.length - at);
        return with;
    }

    private static BufferedImage shown(PhotoFile photo) throws IOException {
        return ImageIO.read(new ByteArrayInputStream(photo.bytes()));
    }

    @Test
    public void aSmallPhotoIsKeptAsItIs() throws Exception {
        byte[] png = picture(300, 200, "png");
        PhotoFile photo = PhotoFile.of(png);
        assertEquals(photo.mediaType(), "image/png");
        assertEquals(photo.bytes(), png);
        assertEquals(PhotoFile.of(Base64.getDecoder().decode(WEBP)).mediaType(), "image/webp");
    }

    @Test
    public void aPhonesPhotoIsScaledDownAndStoodUpright() throws Exception {
        PhotoFile photo = PhotoFile.of(turned(picture(4800, 3600, "jpg")));
        BufferedImage shown = shown(photo);
        assertEquals(photo.mediaType(), "image/jpeg");
        assertEquals(shown.getHeight(), 2400);
        assertEquals(shown.getWidth(), 1800);
        // what was on the left is at the top after a quarter turn to the right
        assertTrue(new Color(shown.getRGB(900, 200)).getRed() > 200);
        assertTrue(new Color(shown.getRGB(900, 2200)).getRed() < 60);
    }

    @Test
    public void whatOnlyBeginsLikeAPhotoIsNone() throws Exception {
        byte[] png = picture(300, 200, "png");
        assertThrows(PhotoFile.NoPhotoException.class, () -> PhotoFile.of(Arrays.copyOf(png, 60)));
        byte[] script = "\u0089PNG\r\n\u001a\n<script>alert(1)</script>".getBytes(StandardCharsets.ISO_8859_1);
        assertThrows(PhotoFile.NoPhotoException.class, () -> PhotoFile.of(script));
        assertThrows(PhotoFile.NoPhotoException.class, () -> PhotoFile.of(new byte[0]));
        assertThrows(PhotoFile.NoPhotoException.class, () -> PhotoFile.of(picture(10, 10, "bmp")));
    }
}
