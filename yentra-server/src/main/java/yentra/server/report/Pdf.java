package yentra.server.report;

import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FSFontUseCase;
import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.outputdevice.helper.ExternalResourceControlPriority;
import com.openhtmltopdf.pdfboxout.PdfBoxRenderer;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.svgsupport.BatikSVGDrawer;
import com.openhtmltopdf.util.XRLog;
import java.io.ByteArrayOutputStream;
import java.io.File;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.Calendar;
import java.util.EnumSet;
import java.util.GregorianCalendar;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TimeZone;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdfwriter.compress.CompressParameters;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentInformation;
import org.apache.pdfbox.pdmodel.common.PDMetadata;
import yentra.server.web.Hashes;

/**
 * Prints pages as PDF: tagged (PDF/UA), with bookmarks, fonts embedded. The same page gives the
 * same bytes. Nothing is fetched from anywhere: pictures are in the page itself.
 */
public final class Pdf {
  /** Families in which a sign is looked for, one after the other. */
  static final String FAMILIES = "page, page-ext, signs";

  private static final List<String> NAMES = List.of("page", "page-ext", "signs");

  /** By name and weight, as files, which the drawing of charts asks for. */
  private static final Map<String, File> FONTS = new HashMap<>();

  static {
    XRLog.setLoggingEnabled(false);
    try {
      Path dir = Files.createTempDirectory("yentra-fonts");
      dir.toFile().deleteOnExit();
      for (String name : NAMES) {
        for (String weight : List.of("regular", "bold")) {
          String file = name + "-" + weight + ".ttf";
          try (InputStream in = Pdf.class.getResourceAsStream("/fonts/" + file)) {
            if (in == null) {
              throw new IllegalStateException("The font " + file + " is missing.");
            }
            Path to = dir.resolve(file);
            Files.copy(in, to);
            to.toFile().deleteOnExit();
            FONTS.put(name + "-" + weight, to.toFile());
          }
        }
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private Pdf() {}

  /**
   * Prints a page.
   *
   * @param html well-formed XHTML
   * @param made when; written into the file
   */
  public static byte[] of(String html, Instant made) {
    PdfRendererBuilder b = new PdfRendererBuilder();
    b.usePdfUaAccessibility(true);
    b.useSVGDrawer(new BatikSVGDrawer());
    b.withProducer("Yentra");
    // pictures come as data in the page; nothing else may be asked for
    b.useExternalResourceAccessControl(
        (uri, type) -> uri.startsWith("data:"),
        ExternalResourceControlPriority.RUN_BEFORE_RESOLVING_URI);
    Set<FSFontUseCase> uses = EnumSet.of(FSFontUseCase.DOCUMENT, FSFontUseCase.SVG);
    for (String name : NAMES) {
      b.useFont(FONTS.get(name + "-regular"), name, 400, FontStyle.NORMAL, true, uses);
      b.useFont(FONTS.get(name + "-bold"), name, 700, FontStyle.NORMAL, true, uses);
    }
    b.withHtmlContent(html, null);
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (PdfBoxRenderer r = b.buildPdfRenderer()) {
      r.createPDFWithoutClosing();
      PDDocument d = r.getPdfDocument();
      stamp(d, made, html);
      d.save(out, CompressParameters.DEFAULT_COMPRESSION);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out.toByteArray();
  }

  /** Dates and the file's own name come from what was asked, not from the clock. */
  private static void stamp(PDDocument d, Instant made, String html) throws IOException {
    Calendar at = new GregorianCalendar(TimeZone.getTimeZone(ZoneOffset.UTC));
    at.setTimeInMillis(made.toEpochMilli());
    PDDocumentInformation info = d.getDocumentInformation();
    info.setCreationDate(at);
    info.setModificationDate(at);
    byte[] hash = Hashes.digest().digest(html.getBytes(StandardCharsets.UTF_8));
    d.setDocumentId(ByteBuffer.wrap(hash).getLong());
    PDMetadata meta = d.getDocumentCatalog().getMetadata();
    if (meta != null) {
      String xmp = new String(meta.toByteArray(), StandardCharsets.UTF_8);
      meta.importXMPMetadata(
          xmp.replaceAll("(<xmp:(?:Create|Modify|Metadata)Date>)[^<]*(</xmp)", "$1" + made + "$2")
              .getBytes(StandardCharsets.UTF_8));
      meta.getCOSObject().removeItem(COSName.FILTER);
    }
  }
}
