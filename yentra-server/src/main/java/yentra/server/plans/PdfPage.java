package yentra.server.plans;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.io.IOUtils;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.encryption.InvalidPasswordException;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;

/** Draws one page of a PDF as PNG, with PDFBox; a program of its own. */
public final class PdfPage {
  /** Dots an inch, where the page is no larger than {@link #LONGEST} allows. */
  private static final double FINE = 150;

  /** Longest side of what is drawn, pixels. */
  private static final double LONGEST = 6000;

  /** Points of a PDF in an inch. */
  private static final double POINTS = 72;

  private PdfPage() {}

  /** How it ended, as the exit code says it. */
  enum Outcome {
    DRAWN("The page was drawn."),
    BROKEN("The PDF cannot be read or its page %d not be drawn. Save the page as a picture (PNG)."),
    LOCKED("The PDF is locked with a password. Save it without one."),
    NO_SUCH_PAGE("The PDF has no page %d.");

    private final String said;

    Outcome(String said) {
      this.said = said;
    }

    String said(int page) {
      return String.format(said, page);
    }

    static Outcome of(int exit) {
      return exit >= 0 && exit < values().length ? values()[exit] : BROKEN;
    }
  }

  /**
   * @param args the PDF, the number of the page from 1, where the PNG goes
   */
  public static void main(String[] args) {
    Outcome outcome;
    try {
      outcome = draw(Path.of(args[0]), Integer.parseInt(args[1]), Path.of(args[2]));
    } catch (IOException | RuntimeException e) {
      // why is of no use to whoever wants the plan; the exit code says that it did not work
      System.err.println(e);
      outcome = Outcome.BROKEN;
    }
    System.exit(outcome.ordinal());
  }

  private static Outcome draw(Path in, int page, Path out) throws IOException {
    try (PDDocument d = Loader.loadPDF(in.toFile(), IOUtils.createTempFileOnlyStreamCache())) {
      if (page < 1 || page > d.getNumberOfPages()) {
        return Outcome.NO_SUCH_PAGE;
      }
      PDPage p = d.getPage(page - 1);
      PDRectangle box = p.getCropBox();
      double longest = Math.max(box.getWidth(), box.getHeight());
      if (!(longest > 0)) {
        return Outcome.BROKEN;
      }
      double scale = Math.min(FINE / POINTS, LONGEST / longest);
      BufferedImage image = new PDFRenderer(d).renderImage(page - 1, (float) scale, ImageType.RGB);
      return ImageIO.write(image, "png", out.toFile()) ? Outcome.DRAWN : Outcome.BROKEN;
    } catch (InvalidPasswordException e) {
      return Outcome.LOCKED;
    }
  }
}
