package org.jagridge.web.records;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Iterator;
import java.util.Locale;
import java.util.Map;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import net.coobird.thumbnailator.Thumbnails;
import net.coobird.thumbnailator.util.exif.ExifFilterUtils;
import net.coobird.thumbnailator.util.exif.ExifUtils;
import net.coobird.thumbnailator.util.exif.Orientation;

/**
 * A photo as it is kept. What can't be decoded is none, whatever its name or first bytes say. One that a phone made larger
 * than a screen shows is scaled down and stood upright.
 *
 * @param mediaType one that browsers show
 */
@SuppressWarnings("ArrayRecordComponent") // handed on, never compared
record PhotoFile(String mediaType, byte[] bytes) {
    /** The longest side that is kept, pixels, and the largest file that is kept as it is, bytes. */
    private static final int LONGEST = 2400;

    private static final int LARGEST = 2_000_000;
    private static final long MOST_PIXELS = 120_000_000;
    private static final double QUALITY = 0.85;
    private static final Map<String, String> TYPES =
            Map.of("jpeg", "image/jpeg", "png", "image/png", "webp", "image/webp");

    /** A file is no photo that can be shown; the message says so. */
    static final class NoPhotoException extends Exception {
        private static final long serialVersionUID = 1L;

        NoPhotoException(String message) {
            super(message);
        }
    }

    private static NoPhotoException noPhoto() {
        return new NoPhotoException(
                "That file is no photo that a browser shows, or not a whole one: use JPEG, PNG or WebP.");
    }

    /**
     * @throws NoPhotoException where the file can't be decoded as a JPEG, PNG or WebP image, or has too many pixels
     */
    static PhotoFile of(byte[] file) throws NoPhotoException {
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(file))) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            if (!readers.hasNext()) {
                throw noPhoto();
            }
            ImageReader reader = readers.next();
            try {
                reader.setInput(in);
                return of(file, reader);
            } finally {
                reader.dispose();
            }
        } catch (IOException | IndexOutOfBoundsException | IllegalArgumentException e) {
            throw noPhoto();
        }
    }

    private static PhotoFile of(byte[] file, ImageReader reader) throws IOException, NoPhotoException {
        String type = TYPES.get(reader.getFormatName().toLowerCase(Locale.ROOT));
        if (type == null) {
            throw noPhoto();
        }
        int longest = Math.max(reader.getWidth(0), reader.getHeight(0));
        if ((long) reader.getWidth(0) * reader.getHeight(0) > MOST_PIXELS) {
            throw new NoPhotoException("That photo has more than " + MOST_PIXELS / 1_000_000
                    + " million pixels; scale it down and add it again.");
        }
        ImageReadParam every = reader.getDefaultReadParam();
        int step = Math.max(1, longest / LONGEST);
        every.setSourceSubsampling(step, step, 0, 0);
        BufferedImage image = reader.read(0, every);
        if (longest <= LONGEST && file.length <= LARGEST) {
            return new PhotoFile(type, file);
        }
        Orientation orientation = orientation(reader);
        BufferedImage upright = orientation == null
                ? image
                : ExifFilterUtils.getFilterForOrientation(orientation).apply(image);
        ByteArrayOutputStream scaled = new ByteArrayOutputStream();
        Thumbnails.of(upright)
                .size(Math.min(LONGEST, longest), Math.min(LONGEST, longest))
                .imageType(BufferedImage.TYPE_INT_RGB)
                .outputFormat("jpg")
                .outputQuality(QUALITY)
                .toOutputStream(scaled);
        return new PhotoFile("image/jpeg", scaled.toByteArray());
    }

    /** Which way up it was taken; null where the file doesn't say. */
    private static Orientation orientation(ImageReader reader) {
        try {
            return ExifUtils.getExifOrientation(reader, 0);
        } catch (IOException e) {
            return null;
        }
    }
}
