package yentra.core.scope;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.NotEmpty;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yentra.core.model.PropertyValue;

class ValueTestTextTest {
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '`',
      value = {
        "Office; Store | Store | true",
        "Office; Store | office | false",
        "contains gross | GROSS area | true",
        "contains gross | net area | false",
        "pattern W-\\d+ | W-12 | true",
        "pattern W-\\d+ | W-12a | false",
        "0.1 to 0.3 | 0.3 | true",
        "0.1 to 0.3 | 0.31 | false",
        "above 2 | 2 | false",
        "at least 2 | 2 | true",
        "below 2 | 1.9 | true",
        "at most 2 | 2.1 | false",
        "length 3 | abc | true",
        "length 3 to 4 | abcde | false",
        "length at least 2 | a | false",
        "not Office | Store | true",
        "contains a and also contains b | cab | true",
        "contains a and also contains b | ca | false",
        "any | x | true",
        "`missing` | x | false",
        "\"any\" | any | true",
        "\"any\" | x | false",
        "\"a; b\" | a; b | true"
      })
  void cells(String cell, String value, boolean passes) {
    ValueTest t = ValueTestText.read(cell.replace("`", ""));
    assertThat(t.accepts(value)).isEqualTo(passes);
    assertThat(ValueTestText.read(t.words())).isEqualTo(t);
  }

  @Test
  void nothingPassesOnlyWhatAsksForNothing() {
    assertThat(ValueTestText.read("missing").accepts(null, 1)).isTrue();
    assertThat(ValueTestText.read("not Office").accepts(null, 1)).isTrue();
    assertThat(ValueTestText.read("any").accepts(null, 1)).isFalse();
    assertThat(ValueTestText.read("Office").accepts(null, 1)).isFalse();
    assertThat(ValueTestText.read(" ")).isNull();
  }

  @Test
  void numbersAreComparedInSiAndLogicalValuesByMeaning() {
    PropertyValue half = new PropertyValue.Number(0.5, "m", "IfcLengthMeasure");
    assertThat(ValueTestText.read("500").accepts(half, UnitText.factor("mm"))).isTrue();
    assertThat(ValueTestText.read("at most 499").accepts(half, UnitText.factor("mm"))).isFalse();
    assertThat(ValueTestText.read("0.5000000001").accepts(half, 1)).isTrue();
    PropertyValue yes = new PropertyValue.Logical(true);
    assertThat(ValueTestText.read("true").accepts(yes, 1)).isTrue();
    assertThat(ValueTestText.read("TRUE").accepts(yes, 1)).isTrue();
    assertThat(ValueTestText.read("false").accepts(yes, 1)).isFalse();
    PropertyValue many =
        new PropertyValue.Many(List.of(new PropertyValue.Text("a"), new PropertyValue.Text("b")));
    assertThat(ValueTestText.read("b").accepts(many, 1)).isTrue();
  }

  @ParameterizedTest
  @CsvSource({"3 to 1,empty", "pattern [a,no pattern", "length x,no length", ";,no value"})
  void whatCannotBeReadSaysWhy(String cell, String why) {
    assertThatThrownBy(() -> ValueTestText.read(cell)).hasMessageContaining(why);
  }

  @Test
  void aPatternThatBacktracksWithoutEndIsGivenUp() {
    ValueTest t = ValueTestText.read("pattern (a+)+b");
    assertThat(t.accepts("a".repeat(60))).isFalse();
    assertThat(t.accepts("aab")).isTrue();
  }

  /** Patterns of XML Schema know no anchors (W3C, XML Schema Part 2, appendix F). */
  @Test
  void circumflexAndDollarAreCharacters() {
    assertThat(ValueTestText.read("pattern ^a$").accepts("^a$")).isTrue();
    assertThat(ValueTestText.read("pattern ^a$").accepts("a")).isFalse();
    assertThat(ValueTestText.read("pattern [^a]b").accepts("cb")).isTrue();
  }

  @Property(tries = 500)
  void everyListOfWordsIsReadBackAsItWas(@ForAll @NotEmpty List<@NotEmpty String> words) {
    List<String> clean = words.stream().filter(w -> !w.isBlank()).toList();
    if (!clean.isEmpty()) {
      ValueTest t = new ValueTest.OneOf(clean);
      assertThat(ValueTestText.read(t.words())).isEqualTo(t);
    }
  }
}
