package yentra.core.step;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yentra.core.envelope.UnreadableException;

/**
 * ISO 10303-21 as files hold it: strings in every encoding, any order, comments, and faults that do
 * not stop the rest.
 */
class StepFileTest {
  static StepFile file(String data) throws UnreadableException {
    return StepFile.of(
        ("ISO-10303-21;\nHEADER;\nFILE_SCHEMA(('IFC4'));\nENDSEC;\nDATA;\n"
                + data
                + "\nENDSEC;\nEND-ISO-10303-21;\n")
            .getBytes(StandardCharsets.ISO_8859_1));
  }

  // expected strings: the examples of ISO 10303-21, clause 6.4.3, and common text
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '"',
      value = {
        "'Au\\X2\\00DF\\X0\\enwand'|Außenwand",
        "'O''Brien'|O'Brien",
        "'C:\\\\temp'|C:\\temp",
        "'B\\X2\\00FC\\X0\\ro \\X2\\03A9\\X0\\'|Büro Ω",
        "'\\X2\\58C1\\X0\\'|壁",
        "'\\X4\\0001F600\\X0\\ plan'|😀 plan",
        "'Gel\\S\\dnde'|Gelände",
        "'\\X\\E9tage'|étage",
        "'\\PE\\\\S\\0'|А",
        "'open \\X2\\00'|open \\X2\\00"
      })
  void strings(String written, String meant) throws Exception {
    String text = file("#1=IFCLABEL(" + written + ");").get(1).text(0);
    assertThat(text).isEqualTo(meant);
  }

  @Test
  void valuesOfEveryKind() throws Exception {
    StepInstance i =
        file("#1=X($,*,#2,.ELEMENT.,-1.5E-2,3,IFCBOOLEAN(.T.),(1.,(2.,3.)),\"0FF\",());").get(1);
    assertThat(i.get(0)).isEqualTo(StepValue.UNSET);
    assertThat(i.get(1)).isEqualTo(StepValue.DERIVED);
    assertThat(i.ref(2)).isEqualTo(2);
    assertThat(i.enumeration(3)).isEqualTo("ELEMENT");
    assertThat(i.number(4)).contains(-0.015);
    assertThat(i.number(5)).contains(3.0);
    assertThat(i.get(6))
        .isEqualTo(new StepValue.Typed("IFCBOOLEAN", new StepValue.Enumeration("T")));
    assertThat(i.list(7)).hasSize(2);
    assertThat(i.get(8)).isEqualTo(new StepValue.Binary("0FF"));
    assertThat(i.list(9)).isEmpty();
    assertThat(i.get(99)).isEqualTo(StepValue.UNSET);
  }

  @Test
  void commentsLineBreaksAndAnyOrder() throws Exception {
    StepFile f = file("/* #9=A('no'); */ #2 = B ( #1 ,\n 'a;b' ) ; #1=A(/* in ; between */ 'x');");
    assertThat(f.size()).isEqualTo(2);
    assertThat(f.get(2).text(1)).isEqualTo("a;b");
    assertThat(f.ofType("A", "B")).containsExactly(2, 1);
    assertThat(f.place(1)[0]).isEqualTo(7);
  }

  @Test
  void aMalformedInstanceIsReportedWithItsLineAndTheRestIsRead() throws Exception {
    StepFile f = file("#1=A('x');\n#2=A(1.2.3);\n#3=A(.OPEN);\n#4=A('y');");
    assertThat(f.get(2)).isNull();
    assertThat(f.get(3)).isNull();
    assertThat(f.get(4).text(0)).isEqualTo("y");
    assertThat(f.problems()).hasSize(2).allSatisfy(p -> assertThat(p.line()).isPositive());
    assertThat(f.problems().get(0).line()).isEqualTo(7);
  }

  @Test
  void anInstanceNumberUsedTwiceIsNoted() throws Exception {
    StepFile f = file("#1=A('first');\n#1=A('second');");
    assertThat(f.duplicates()).containsExactly(1);
    assertThat(f.get(1).text(0)).isEqualTo("first");
  }

  @Test
  void deepNestingCostsNoStack() throws Exception {
    StepFile f = file("#1=A(" + "(".repeat(100_000) + ")".repeat(100_000) + ");\n#2=A('x');");
    assertThat(f.get(1)).isNull();
    assertThat(f.get(2).text(0)).isEqualTo("x");
    assertThat(f.problems().get(0).message()).contains("nested deeper");
  }

  @Test
  void whatIsNoExchangeStructureIsRefusedWithThePlace() {
    assertThatThrownBy(() -> file("#1=A('never ends);"))
        .isInstanceOf(UnreadableException.class)
        .hasMessageContaining("string begins here");
    assertThatThrownBy(
            () -> StepFile.of("ISO-10303-21;\nHEADER;\n".getBytes(StandardCharsets.US_ASCII)))
        .hasMessageContaining("cut off");
    assertThatThrownBy(() -> StepFile.of("hello".getBytes(StandardCharsets.US_ASCII)))
        .hasMessageContaining("ISO-10303-21");
    assertThatThrownBy(
            () -> StepFile.of("ISO-10303-21;\nDATA;\n#1=A(1.".getBytes(StandardCharsets.US_ASCII)))
        .isInstanceOfSatisfying(UnreadableException.class, e -> assertThat(e.line()).isEqualTo(3));
  }
}
