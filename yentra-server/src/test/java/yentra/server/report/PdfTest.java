package yentra.server.report;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.time.Instant;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;

/** Pages printed as PDF, read again with PDFBox. */
class PdfTest {
  private static final Instant MADE = Instant.parse("2026-12-01T10:00:00Z");

  private static String page(String body) {
    return "<!DOCTYPE html><html lang=\"en\"><head><title>Probe</title><style>body{font-family:"
        + Pdf.FAMILIES
        + "} @page{size:A4}</style><bookmarks><bookmark name=\"One\" href=\"#one\"/></bookmarks></head><body>"
        + body
        + "</body></html>";
  }

  @Test
  void theSamePageGivesTheSameBytes() throws Exception {
    String html =
        page(
            "<h2 id=\"one\">One</h2><p>λ 0.035 W/mK, 3 m², Ł ș</p><svg xmlns=\"http://www.w3.org/2000/svg\" width=\"200\" height=\"50\"><rect width=\"100\" height=\"20\" fill=\"#0e7c66\"/><text x=\"5\" y=\"40\" font-family=\""
                + Pdf.FAMILIES
                + "\" font-size=\"10\">text λ</text></svg>");
    byte[] a = Pdf.of(html, MADE);
    Thread.sleep(1100);
    byte[] b = Pdf.of(html, MADE);
    assertThat(a).isEqualTo(b);
    assertThat(text(a)).contains("λ 0.035 W/mK, 3 m², Ł ș");
  }

  /**
   * Charts are drawn with the same fonts: none of the machine's, which another machine may lack.
   */
  @Test
  void chartsAreDrawnWithTheFontsOfThePage() throws Exception {
    String html =
        page(
            "<h2 id=\"one\">One</h2>"
                + ChartDrawing.curve(
                    "a curve",
                    "λ of the layer, W/mK",
                    "kWh/m²",
                    List.of(1.0, 2.0, 3.0),
                    List.of(40.0, 38.0, 37.5),
                    38.5));
    byte[] pdf = Pdf.of(html, MADE);
    try (PDDocument d = Loader.loadPDF(pdf)) {
      for (var name : d.getPage(0).getResources().getFontNames()) {
        assertThat(d.getPage(0).getResources().getFont(name).getName())
            .matches(".*(AtkinsonHyperlegibleNext|DejaVuSans).*");
      }
    }
  }

  static String text(byte[] pdf) throws IOException {
    try (PDDocument d = Loader.loadPDF(pdf)) {
      return new PDFTextStripper().getText(d);
    }
  }
}
