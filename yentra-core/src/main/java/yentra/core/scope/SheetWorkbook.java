package yentra.core.scope;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipArchiveOutputStream;
import org.apache.commons.compress.archivers.zip.ZipFile;
import org.apache.commons.compress.utils.SeekableInMemoryByteChannel;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import org.dhatim.fastexcel.reader.Cell;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.Row;
import org.dhatim.fastexcel.reader.Sheet;

/**
 * Scope sheets as spreadsheets (XLSX) with three sheets: About (name, purpose, what becomes of the
 * rest), Scope (one rule a row), Properties (one requirement a row). A row that begins with "and"
 * adds conditions to the row above. Cells say tests in words, see {@link ValueTest}.
 */
public final class SheetWorkbook {
  private static final int MOST_ROWS = 20_000;
  private static final long MOST_UNPACKED = 100_000_000;

  private SheetWorkbook() {}

  /** The sheet as a spreadsheet; the same sheet gives the same bytes. */
  public static byte[] write(ScopeSheet sheet) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    SheetGrid grid = SheetGrid.of(sheet);
    try (Workbook book = new Workbook(out, "Yentra", "1.0")) {
      Worksheet about = book.newWorksheet(SheetGrid.ABOUT);
      write(about, grid.about());
      about.width(0, 22);
      about.width(1, 80);
      about.range(0, 0, grid.about().size() - 1, 0).style().bold().set();
      table(book.newWorksheet(SheetGrid.SCOPE), grid.scope());
      table(book.newWorksheet(SheetGrid.PROPERTIES), grid.properties());
    } catch (IOException e) {
      throw new java.io.UncheckedIOException("writing to memory", e);
    }
    return undated(out.toByteArray());
  }

  /**
   * The library writes the time of writing into the file; the same sheet must give the same bytes.
   */
  private static byte[] undated(byte[] bytes) {
    ByteArrayOutputStream out = new ByteArrayOutputStream(bytes.length);
    try (ZipFile zip = open(bytes);
        ZipArchiveOutputStream packed = new ZipArchiveOutputStream(out)) {
      for (ZipArchiveEntry e : (Iterable<ZipArchiveEntry>) zip.getEntries()::asIterator) {
        byte[] content;
        try (InputStream in = zip.getInputStream(e)) {
          content = in.readAllBytes();
        }
        if (e.getName().equals("docProps/core.xml")) {
          content =
              new String(content, StandardCharsets.UTF_8)
                  .replaceAll("\\d{4}-\\d\\d-\\d\\dT[0-9:.]+Z", "2000-01-01T00:00:00Z")
                  .getBytes(StandardCharsets.UTF_8);
        }
        ZipArchiveEntry copy = new ZipArchiveEntry(e.getName());
        copy.setTime(0);
        packed.putArchiveEntry(copy);
        packed.write(content);
        packed.closeArchiveEntry();
      }
    } catch (IOException e) {
      throw new java.io.UncheckedIOException("writing to memory", e);
    }
    return out.toByteArray();
  }

  private static ZipFile open(byte[] bytes) throws IOException {
    return ZipFile.builder().setSeekableByteChannel(new SeekableInMemoryByteChannel(bytes)).get();
  }

  private static void table(Worksheet w, List<List<String>> rows) {
    write(w, rows);
    List<String> heading = rows.get(0);
    for (int i = 0; i < heading.size(); i++) {
      w.width(i, heading.get(i).equals("Note") ? 50 : 18);
    }
    w.range(0, 0, 0, heading.size() - 1).style().bold().fillColor("DCEBE7").set();
    w.freezePane(0, 1);
  }

  private static void write(Worksheet w, List<List<String>> rows) {
    for (int r = 0; r < rows.size(); r++) {
      for (int c = 0; c < rows.get(r).size(); c++) {
        if (!rows.get(r).get(c).isEmpty()) {
          w.value(r, c, rows.get(r).get(c));
        }
      }
    }
  }

  /**
   * Reads a spreadsheet.
   *
   * @throws ScopeSheetException with sheet, row and column, when it is no spreadsheet or a cell
   *     cannot be understood
   */
  public static ScopeSheet read(byte[] bytes) throws ScopeSheetException {
    unpackable(bytes);
    try (ReadableWorkbook book = new ReadableWorkbook(new ByteArrayInputStream(bytes))) {
      return new SheetGrid(
              rows(book, SheetGrid.ABOUT, true),
              rows(book, SheetGrid.SCOPE, true),
              rows(book, SheetGrid.PROPERTIES, false))
          .sheet();
    } catch (IOException | RuntimeException e) {
      if (e.getCause() instanceof ScopeSheetException s) {
        throw s;
      }
      throw new ScopeSheetException(
          "", 0, "", "The file is no spreadsheet (XLSX) that can be read. Save it anew as XLSX.");
    }
  }

  /** A packed file may unpack to any size; this one may not. */
  private static void unpackable(byte[] bytes) throws ScopeSheetException {
    long size = 0;
    int entries = 0;
    byte[] buffer = new byte[1 << 16];
    try (ZipFile zip =
        ZipFile.builder().setSeekableByteChannel(new SeekableInMemoryByteChannel(bytes)).get()) {
      for (ZipArchiveEntry e : (Iterable<ZipArchiveEntry>) zip.getEntries()::asIterator) {
        entries++;
        try (InputStream in = zip.getInputStream(e)) {
          for (int n = in.read(buffer); n >= 0; n = in.read(buffer)) {
            size += n;
            if (size > MOST_UNPACKED || entries > 1000) {
              throw new ScopeSheetException(
                  "",
                  0,
                  "",
                  "The spreadsheet unpacks to more than 100 MB; a scope sheet is far smaller.");
            }
          }
        }
      }
    } catch (IOException | RuntimeException e) {
      throw new ScopeSheetException("", 0, "", "The spreadsheet is damaged. Save it anew as XLSX.");
    }
    if (entries == 0) {
      throw new ScopeSheetException("", 0, "", "The file is no spreadsheet (XLSX).");
    }
  }

  private static List<List<String>> rows(ReadableWorkbook book, String name, boolean required)
      throws IOException, ScopeSheetException {
    Optional<Sheet> sheet =
        book.getSheets().filter(s -> s.getName().strip().equalsIgnoreCase(name)).findFirst();
    if (sheet.isEmpty()) {
      if (required) {
        throw new ScopeSheetException(name, 0, "", "The spreadsheet has no sheet of this name.");
      }
      return List.of();
    }
    List<List<String>> out = new ArrayList<>();
    try (Stream<Row> rows = sheet.get().openStream()) {
      for (Row r : (Iterable<Row>) rows::iterator) {
        if (r.getRowNum() > MOST_ROWS) {
          throw new ScopeSheetException(name, MOST_ROWS, "", "The sheet has too many rows.");
        }
        while (out.size() < r.getRowNum() - 1) {
          out.add(List.of());
        }
        String[] cells = new String[Math.min(200, r.getCellCount())];
        Arrays.fill(cells, "");
        for (int i = 0; i < cells.length; i++) {
          Cell c = r.getCell(i);
          cells[i] = c == null || c.getText() == null ? "" : c.getText().strip();
        }
        out.add(List.of(cells));
      }
    }
    return out;
  }
}
