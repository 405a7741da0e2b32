package yentra.core.scope;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.util.List;
import java.util.Random;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

class SheetWorkbookTest {
  static List<ScopeSheet> shipped() {
    return ShippedSheets.all();
  }

  @ParameterizedTest
  @MethodSource("shipped")
  void shippedSheetsRoundTrip(ScopeSheet sheet) throws Exception {
    byte[] once = SheetWorkbook.write(sheet);
    ScopeSheet read = SheetWorkbook.read(once);
    assertThat(read).isEqualTo(sheet);
    assertThat(SheetWorkbook.write(read)).isEqualTo(once);
  }

  /** A workbook as a person writes one: headings and cells by sheet. */
  private static byte[] book(String[][] scope, String[][] properties) throws Exception {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (Workbook b = new Workbook(out, "test", "1.0")) {
      fill(
          b.newWorksheet("About"),
          new String[][] {
            {"Name", "Mine"},
            {"Purpose", "to test"},
            {"All other elements", "out"},
            {"All other properties", "keep"}
          });
      fill(b.newWorksheet("Scope"), scope);
      if (properties != null) {
        fill(b.newWorksheet("Properties"), properties);
      }
    }
    return out.toByteArray();
  }

  private static void fill(Worksheet w, String[][] cells) {
    for (int r = 0; r < cells.length; r++) {
      for (int c = 0; c < cells[r].length; c++) {
        if (cells[r][c] != null) {
          w.value(r, c, cells[r][c]);
        }
      }
    }
  }

  @Test
  void columnsMayStandInAnyOrderAndRowsMayContinue() throws Exception {
    ScopeSheet s =
        SheetWorkbook.read(
            book(
                new String[][] {
                  {
                    "Note",
                    "Class",
                    "In or out",
                    "Where property set",
                    "Where property",
                    "Where value"
                  },
                  {"outer", "IfcWall", "in", "Pset_WallCommon", "IsExternal", "true"},
                  {null, null, "and", null, "Thickness", "above 0.2"},
                  {null, "IfcSlab", "out"}
                },
                null));
    assertThat(s.rules()).hasSize(2);
    assertThat(s.rules().get(0).row()).isEqualTo(2);
    assertThat(s.rules().get(0).selection().conditions()).hasSize(2);
    assertThat(s.rules().get(1).row()).isEqualTo(4);
    assertThat(s.othersIn()).isFalse();
    assertThat(s.othersKept()).isTrue();
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      nullValues = "-",
      value = {
        "In or out | Class | maybe | IfcWall | Scope | 2 | In or out | write in, out or and",
        "In or out | Class | in | 5 to 1 | Scope | 2 | Class | empty",
        "In or out | Colour | in | red | Scope | 1 | Colour | no such column",
        "In or out | Where value | in | 3 | Scope | 2 | Where value | needs a property",
        "In or out | Subtypes | in | perhaps | Scope | 2 | Subtypes | yes or no",
        "In or out | Class | and | IfcWall | Scope | 2 | In or out | needs a row above"
      })
  void aMalformedSheetSaysSheetRowColumnAndWhy(
      String h1, String h2, String c1, String c2, String sheet, int row, String column, String why)
      throws Exception {
    byte[] bytes = book(new String[][] {{h1, h2}, {c1, c2}}, null);
    assertThatThrownBy(() -> SheetWorkbook.read(bytes))
        .isInstanceOfSatisfying(
            ScopeSheetException.class,
            e -> {
              assertThat(e.sheet()).isEqualTo(sheet);
              assertThat(e.row()).isEqualTo(row);
              assertThat(e.column()).isEqualTo(column);
              assertThat(e.sentence()).contains(why);
            });
  }

  @Test
  void aRequirementNeedsAPropertyAndAKnownUnit() throws Exception {
    String[][] scope = {{"In or out", "Class"}, {"in", "IfcWall"}};
    byte[] noName = book(scope, new String[][] {{"Need", "Class"}, {"required", "IfcWall"}});
    assertThatThrownBy(() -> SheetWorkbook.read(noName))
        .hasMessageContaining("name of the property");
    byte[] unit =
        book(
            scope,
            new String[][] {
              {"Need", "Class", "Property", "Values", "Unit"},
              {"required", "IfcWall", "Width", "above 2", "furlong"}
            });
    assertThatThrownBy(() -> SheetWorkbook.read(unit)).hasMessageContaining("furlong");
  }

  @Test
  void whatIsNoSpreadsheetIsRefused() throws Exception {
    assertThatThrownBy(() -> SheetWorkbook.read(new byte[] {1, 2, 3}))
        .isInstanceOf(ScopeSheetException.class);
    ByteArrayOutputStream bomb = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(bomb)) {
      zip.putNextEntry(new ZipEntry("xl/workbook.xml"));
      byte[] blanks = new byte[1 << 20];
      for (int i = 0; i < 120; i++) {
        zip.write(blanks);
      }
    }
    assertThatThrownBy(() -> SheetWorkbook.read(bomb.toByteArray()))
        .hasMessageContaining("unpacks to more");
  }

  @Test
  void brokenSpreadsheetsAreReadOrRefused() {
    byte[] sound = SheetWorkbook.write(ShippedSheets.thermal());
    Random random = new Random(20261125);
    int refused = 0;
    for (int i = 0; i < 300; i++) {
      byte[] b = sound.clone();
      for (int k = 0; k < 1 + random.nextInt(8); k++) {
        b[random.nextInt(b.length)] = (byte) random.nextInt(256);
      }
      try {
        SheetWorkbook.read(b);
      } catch (ScopeSheetException e) {
        refused++;
        assertThat(e.sentence()).isNotBlank().doesNotContain("Exception");
      }
    }
    assertThat(refused).isPositive();
  }
}
