package yentra.server.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.StringReader;
import java.util.List;
import java.util.Random;
import javax.xml.parsers.DocumentBuilderFactory;
import org.junit.jupiter.api.Test;
import org.w3c.dom.Element;
import org.xml.sax.InputSource;

/** Whatever comes from outside is text: pages stay well-formed, and say what was said. */
class MarkupTest {
  private static Element parsed(String body) throws Exception {
    return DocumentBuilderFactory.newInstance()
        .newDocumentBuilder()
        .parse(new InputSource(new StringReader("<body>" + body + "</body>")))
        .getDocumentElement();
  }

  @Test
  void textIsNothingElse() throws Exception {
    String evil = "<script>alert('&amp;')</script> \"quoted\" ]]> \u0000\u0007\uFFFF end";
    Markup m = new Markup().p(evil).h3(evil).list(List.of(evil));
    Element e = parsed(m.toString());
    assertThat(e.getElementsByTagName("script").getLength()).isZero();
    assertThat(e.getElementsByTagName("li").item(0).getTextContent())
        .isEqualTo("<script>alert('&amp;')</script> \"quoted\" ]]>  end");
  }

  @Test
  void anyCharactersMakeAWellFormedPage() throws Exception {
    Random random = new Random(23);
    for (int i = 0; i < 300; i++) {
      StringBuilder s = new StringBuilder();
      for (int k = 0; k < 40; k++) {
        s.append((char) random.nextInt(0x10000));
      }
      parsed(new Markup().p(s.toString()).paragraphs(s.toString()).toString());
    }
  }

  @Test
  void paragraphsAreSetApartByEmptyLines() throws Exception {
    Element e = parsed(new Markup().paragraphs("one\ntwo\r\n\r\nthree\n\n\n  \n\nfour").toString());
    assertThat(e.getElementsByTagName("p").getLength()).isEqualTo(3);
    assertThat(e.getElementsByTagName("br").getLength()).isEqualTo(1);
  }

  @Test
  void figuresOfATableStandAtTheRight() throws Exception {
    Element e =
        parsed(
            new Markup()
                .table(List.of("Wall", "Area"), List.of(List.of("North", "3.00")), 1)
                .toString());
    assertThat(((Element) e.getElementsByTagName("td").item(1)).getAttribute("class"))
        .isEqualTo("n");
    assertThat(((Element) e.getElementsByTagName("th").item(0)).getAttribute("scope"))
        .isEqualTo("col");
    assertThat(new Markup().list(List.of()).toString()).isEmpty();
  }
}
