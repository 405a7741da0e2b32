package yentra.server.plans;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Iterator;
import java.util.Locale;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import javax.imageio.stream.MemoryCacheImageInputStream;
import org.springframework.stereotype.Component;
import yentra.server.web.Problem;

/**
 * Reads pictures for drawings: PNG and JPEG as they are, of a PDF one page as PNG. How large a
 * picture is, is looked at before any of its pixels is read; pages of a PDF are drawn in a process
 * of their own.
 */
@Component
class PictureReader {
  /** Largest file, bytes. */
  static final int MOST_BYTES = 30_000_000;

  /** Longest side of a picture, pixels. */
  static final int LONGEST = 16_000;

  /** Pixels of a picture. */
  static final long MOST_PIXELS = 60_000_000;

  private final PdfPages pdf;

  PictureReader(PdfPages pdf) {
    this.pdf = pdf;
  }

  /**
   * Reads a picture.
   *
   * @param page of a PDF, from 1
   * @throws Problem when it is none, too large or broken, with what to do
   */
  Picture read(byte[] bytes, int page) {
    if (bytes.length > MOST_BYTES) {
      throw Problem.bad(
          "The picture has more than "
              + MOST_BYTES / 1_000_000
              + " MB. Save it smaller, or only the sheet that is needed.");
    }
    if (isPdf(bytes)) {
      return decoded("image/png", "png", pdf.page(bytes, page));
    }
    if (starts(bytes, 0x89, 'P', 'N', 'G')) {
      return decoded("image/png", "png", bytes);
    }
    if (starts(bytes, 0xff, 0xd8, 0xff)) {
      return decoded("image/jpeg", "jpeg", bytes);
    }
    throw Problem.unreadable("This is no PNG, JPEG or PDF. Save the plan as one of these.", 0, 0);
  }

  static boolean isPdf(byte[] bytes) {
    String head = new String(bytes, 0, Math.min(bytes.length, 1024), StandardCharsets.ISO_8859_1);
    return head.contains("%PDF-");
  }

  private static boolean starts(byte[] bytes, int... with) {
    for (int i = 0; i < with.length; i++) {
      if (bytes.length <= i || (bytes[i] & 0xff) != with[i]) {
        return false;
      }
    }
    return true;
  }

  private static Picture decoded(String mediaType, String format, byte[] bytes) {
    Iterator<ImageReader> readers = ImageIO.getImageReadersByFormatName(format);
    ImageReader reader = readers.next();
    try (ImageInputStream in = new MemoryCacheImageInputStream(new ByteArrayInputStream(bytes))) {
      // what else a file says of itself is not read, so that it cannot be a trap
      reader.setInput(in, true, true);
      int width = reader.getWidth(0);
      int height = reader.getHeight(0);
      if (width > LONGEST || height > LONGEST || (long) width * height > MOST_PIXELS) {
        throw Problem.bad(
            String.format(
                Locale.ROOT,
                "The picture has %d × %d pixels; at most %d on a side and %d million in all are read. Save it smaller.",
                width,
                height,
                LONGEST,
                MOST_PIXELS / 1_000_000));
      }
      BufferedImage all = reader.read(0);
      return new Picture(mediaType, all.getWidth(), all.getHeight(), bytes);
    } catch (IOException | RuntimeException e) {
      if (e instanceof Problem p) {
        throw p;
      }
      // decoders throw whatever comes up in bytes that are no picture
      throw Problem.unreadable(
          "The picture is broken: it cannot be read to its end. Save it anew.", 0, 0);
    } finally {
      reader.dispose();
    }
  }
}
