package yentra.server.plans;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Random;
import java.util.zip.CRC32;
import java.util.zip.Deflater;
import java.util.zip.DeflaterOutputStream;
import javax.imageio.ImageIO;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.encryption.AccessPermission;
import org.apache.pdfbox.pdmodel.encryption.StandardProtectionPolicy;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import yentra.server.web.Problem;

/** Pictures under drawings: sound, spoilt, and made to do harm. */
class PictureReaderTest {
  @TempDir Path folder;

  private PictureReader reader() {
    return new PictureReader(new PdfPages(folder, "-Xmx64m"));
  }

  private static byte[] picture(String format, int width, int height) throws IOException {
    BufferedImage i = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
    Graphics2D g = i.createGraphics();
    g.setColor(Color.WHITE);
    g.fillRect(0, 0, width, height);
    g.setColor(Color.BLACK);
    g.drawRect(10, 10, width / 2, height / 2);
    g.dispose();
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ImageIO.write(i, format, out);
    return out.toByteArray();
  }

  /** Two pages of a lying A4, each with a square of 100 points, at another place. */
  private static byte[] pdf(String password) throws IOException {
    try (PDDocument d = new PDDocument()) {
      for (int n = 0; n < 2; n++) {
        PDPage p = new PDPage(new PDRectangle(842, 595));
        d.addPage(p);
        try (PDPageContentStream c = new PDPageContentStream(d, p)) {
          c.addRect(100 + 300 * n, 100, 100, 100);
          c.fill();
        }
      }
      if (password != null) {
        d.protect(new StandardProtectionPolicy("owner", password, new AccessPermission()));
      }
      ByteArrayOutputStream out = new ByteArrayOutputStream();
      d.save(out);
      return out.toByteArray();
    }
  }

  @Test
  void picturesAreTakenAsTheyAre() throws IOException {
    byte[] png = picture("png", 300, 200);
    Picture p = reader().read(png, 1);
    assertThat(p.mediaType()).isEqualTo("image/png");
    assertThat(p.width()).isEqualTo(300);
    assertThat(p.height()).isEqualTo(200);
    assertThat(p.bytes()).isEqualTo(png);
    assertThat(reader().read(picture("jpeg", 90, 80), 1).mediaType()).isEqualTo("image/jpeg");
  }

  @Test
  void aPageOfAPdfIsDrawn() throws IOException {
    Picture p = reader().read(pdf(null), 2);
    // 150 dots an inch, 72 points an inch
    assertThat(p.width()).isBetween(1753, 1755);
    assertThat(p.height()).isBetween(1239, 1241);
    BufferedImage i = ImageIO.read(new ByteArrayInputStream(p.bytes()));
    assertThat(i.getRGB((int) (450 / 72.0 * 150), (int) ((595 - 150) / 72.0 * 150)) & 0xffffff)
        .isZero();
    assertThat(i.getRGB((int) (150 / 72.0 * 150), (int) ((595 - 150) / 72.0 * 150)) & 0xffffff)
        .isEqualTo(0xffffff);
  }

  @Test
  void whatCannotBeReadIsSaid() throws IOException {
    refused("no PNG, JPEG or PDF", "not a picture".getBytes(StandardCharsets.UTF_8), 1);
    refused("no PNG, JPEG or PDF", new byte[0], 1);
    refused("has no page 3", pdf(null), 3);
    refused("has no page 0", pdf(null), 0);
    refused("locked with a password", pdf("secret"), 1);
    byte[] png = picture("png", 300, 200);
    refused("broken", Arrays.copyOf(png, png.length / 2), 1);
    refused("cannot be read", Arrays.copyOf(pdf(null), 300), 1);
    refused("more than 30 MB", new byte[PictureReader.MOST_BYTES + 1], 1);
  }

  private void refused(String said, byte[] bytes, int page) {
    assertThatThrownBy(() -> reader().read(bytes, page))
        .isInstanceOf(Problem.class)
        .hasMessageContaining(said);
  }

  /** A picture of a few hundred bytes that says that it has 40,000 by 40,000 pixels. */
  @Test
  void aPictureThatWouldFillTheMemoryIsRefusedUnread() throws IOException {
    byte[] png = picture("png", 30, 30);
    ByteBuffer b = ByteBuffer.wrap(png);
    b.putInt(16, 40_000).putInt(20, 40_000);
    CRC32 crc = new CRC32();
    crc.update(png, 12, 17);
    b.putInt(29, (int) crc.getValue());
    refused("40000 × 40000 pixels", png, 1);
  }

  /** Contents of 100 MB in a PDF of 100 kB: the process that draws it ends, this one does not. */
  @Test
  void aPdfThatWouldFillTheMemoryIsRefused() throws IOException {
    ByteArrayOutputStream packed = new ByteArrayOutputStream();
    try (DeflaterOutputStream d = new DeflaterOutputStream(packed, new Deflater(9))) {
      d.write("[".getBytes(StandardCharsets.US_ASCII));
      byte[] numbers = "0 0 0 0 0 0 0 0 ".repeat(1 << 16).getBytes(StandardCharsets.US_ASCII);
      for (int i = 0; i < 100; i++) {
        d.write(numbers);
      }
    }
    ByteArrayOutputStream pdf = new ByteArrayOutputStream();
    pdf.write(
        """
        %PDF-1.4
        1 0 obj <</Type/Catalog/Pages 2 0 R>> endobj
        2 0 obj <</Type/Pages/Kids[3 0 R]/Count 1>> endobj
        3 0 obj <</Type/Page/Parent 2 0 R/MediaBox[0 0 500 500]/Contents 4 0 R>> endobj
        """
            .getBytes(StandardCharsets.US_ASCII));
    pdf.write(
        ("4 0 obj <</Filter/FlateDecode/Length " + packed.size() + ">> stream\n")
            .getBytes(StandardCharsets.US_ASCII));
    packed.writeTo(pdf);
    pdf.write(
        "\nendstream endobj\ntrailer <</Root 1 0 R>>\n%%EOF".getBytes(StandardCharsets.US_ASCII));
    refused("cannot be read", pdf.toByteArray(), 1);
  }

  @Test
  void spoiltPicturesAreRefusedOrRead() throws IOException {
    byte[][] sound = {picture("png", 64, 48), picture("jpeg", 64, 48)};
    Random random = new Random(1907);
    int read = 0;
    for (int n = 0; n < 3000; n++) {
      byte[] b = sound[n % 2].clone();
      for (int k = 0; k <= random.nextInt(4); k++) {
        b[3 + random.nextInt(b.length - 3)] = (byte) random.nextInt(256);
      }
      if (random.nextInt(4) == 0) {
        b = Arrays.copyOf(b, 3 + random.nextInt(b.length));
      }
      try {
        assertThat(reader().read(b, 1).width()).isPositive();
        read++;
      } catch (Problem p) {
        assertThat(p.getMessage()).matches("(?s).*(broken|pixels|no PNG).*");
      }
    }
    assertThat(read).isBetween(1, 2999);
  }

  /** Each costs a process, so these are few. */
  @Test
  void spoiltPdfsAreRefusedOrDrawn() throws IOException {
    byte[] sound = pdf(null);
    Random random = new Random(1908);
    for (int n = 0; n < 3; n++) {
      byte[] b = sound.clone();
      for (int k = 0; k < 20; k++) {
        b[10 + random.nextInt(b.length - 10)] = (byte) random.nextInt(256);
      }
      try {
        assertThat(reader().read(b, 1).width()).isPositive();
      } catch (Problem p) {
        assertThat(p.getMessage()).contains("PDF");
      }
    }
  }
}
