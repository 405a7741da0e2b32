package yentra.server.web;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Arrays;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;

/** Pictures as PNG. */
public final class Png {
  private static final byte[] SIGNATURE = {(byte) 0x89, 'P', 'N', 'G', '\r', '\n', 0x1a, '\n'};

  /** Points of a picture each way. */
  private static final int MOST = 10_000;

  private Png() {}

  public static byte[] of(BufferedImage image) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try {
      ImageIO.write(image, "png", out);
    } catch (IOException x) {
      throw new UncheckedIOException(x);
    }
    return out.toByteArray();
  }

  /** Whether bytes are a PNG picture of some size that can be read. */
  public static boolean isPng(byte[] bytes) {
    if (bytes.length < SIGNATURE.length
        || !Arrays.equals(SIGNATURE, 0, SIGNATURE.length, bytes, 0, SIGNATURE.length)) {
      return false;
    }
    try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(bytes))) {
      ImageReader r = ImageIO.getImageReadersByFormatName("png").next();
      r.setInput(in);
      // its size stands before its points, which are not unpacked for this
      return r.getWidth(0) <= MOST && r.getHeight(0) <= MOST;
    } catch (IOException | IllegalArgumentException x) {
      return false;
    }
  }
}
