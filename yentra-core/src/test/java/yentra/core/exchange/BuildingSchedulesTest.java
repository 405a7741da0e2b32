package yentra.core.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static yentra.core.Fixtures.rooms;

import java.io.ByteArrayInputStream;
import java.util.List;
import org.apache.poi.ss.usermodel.Cell;
import org.apache.poi.ss.usermodel.CellType;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.ss.usermodel.Workbook;
import org.apache.poi.ss.usermodel.WorkbookFactory;
import org.apache.poi.xssf.usermodel.XSSFSheet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.Envelope;
import yentra.core.finding.Limits;
import yentra.core.geometry.Tolerance;
import yentra.core.thermal.HeatLossOptions;

/** Schedules as another library reads them. */
class BuildingSchedulesTest {
  private static byte[] written(Envelope e, UnitSystem units) {
    CheckContext c = new CheckContext(e, Limits.STANDARD, Tolerance.standard());
    return BuildingSchedules.of(c, HeatLossOptions.STANDARD, List.of(), List.of(), units).bytes();
  }

  private static Workbook open(byte[] bytes) throws Exception {
    return WorkbookFactory.create(new ByteArrayInputStream(bytes));
  }

  private static int column(Sheet s, String head) {
    for (Cell c : s.getRow(0)) {
      if (c.getStringCellValue().equals(head)) {
        return c.getColumnIndex();
      }
    }
    throw new AssertionError("no column " + head);
  }

  @Test
  void cellsHaveTypesAndHeadsHaveUnits() throws Exception {
    try (Workbook book = open(written(rooms(), UnitSystem.SI))) {
      Sheet s = book.getSheet("Spaces");
      Cell area = s.getRow(1).getCell(column(s, "Floor area (m²)"));
      assertThat(area.getCellType()).isEqualTo(CellType.NUMERIC);
      assertThat(area.getNumericCellValue()).isCloseTo(20, within(1e-9));
      assertThat(s.getRow(1).getCell(column(s, "Enclosed")).getCellType())
          .isEqualTo(CellType.BOOLEAN);
      assertThat(((XSSFSheet) s).getCTWorksheet().getAutoFilter().getRef()).startsWith("A1:");
      assertThat(s.getPaneInformation().getHorizontalSplitTopRow()).isEqualTo((short) 1);
    }
  }

  @Test
  void inFeetWhereAskedFor() throws Exception {
    try (Workbook book = open(written(rooms(), UnitSystem.IP))) {
      Sheet s = book.getSheet("Spaces");
      // 20 m² ÷ 0.3048²
      assertThat(s.getRow(1).getCell(column(s, "Floor area (ft²)")).getNumericCellValue())
          .isCloseTo(20 / (0.3048 * 0.3048), within(1e-9));
    }
  }

  /** What a spreadsheet would take for a formula is text. */
  @ParameterizedTest
  @ValueSource(strings = {"=1+1", "+1", "-2+3", "@SUM(A1)", "=HYPERLINK(\"http://a\")", "\t=1"})
  void textIsNeverAFormula(String name) throws Exception {
    Envelope e = rooms();
    Envelope named =
        e.withSpaces(e.spaces().stream().map(s -> s.with().name(name).build()).toList());
    try (Workbook book = open(written(named, UnitSystem.SI))) {
      Sheet s = book.getSheet("Spaces");
      Cell cell = s.getRow(1).getCell(column(s, "Name"));
      assertThat(cell.getCellType()).isEqualTo(CellType.STRING);
      assertThat(cell.getStringCellValue()).isEqualTo(name);
    }
  }

  @Test
  void theSameStateGivesTheSameBytes() {
    assertThat(written(rooms(), UnitSystem.SI)).isEqualTo(written(rooms(), UnitSystem.SI));
  }
}
