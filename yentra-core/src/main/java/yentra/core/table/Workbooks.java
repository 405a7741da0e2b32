package yentra.core.table;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipArchiveOutputStream;
import org.apache.commons.compress.archivers.zip.ZipFile;
import org.apache.commons.compress.utils.SeekableInMemoryByteChannel;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import org.dhatim.fastexcel.reader.Cell;
import org.dhatim.fastexcel.reader.CellType;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.Row;
import org.dhatim.fastexcel.reader.Sheet;

/** Spreadsheets (XLSX) as rows of text. */
public final class Workbooks {
  private static final int MOST_ROWS = 20_000;
  private static final int MOST_COLUMNS = 200;
  private static final int MOST_ENTRIES = 1000;
  private static final long MOST_UNPACKED = 100_000_000;

  private Workbooks() {}

  /**
   * A sheet to be written.
   *
   * @param rows the first is the heading when {@code heading} says so; cells that read as plain
   *     numbers become numbers
   * @param widths of the columns in characters; the last holds for all further ones
   */
  public record Page(String name, List<List<String>> rows, boolean heading, List<Integer> widths) {}

  /**
   * Writes a spreadsheet; the same pages give the same bytes.
   *
   * @param numbers whether cells that read as numbers are written as such
   */
  public static byte[] write(List<Page> pages, boolean numbers) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (Workbook book = new Workbook(out, "Yentra", "1.0")) {
      for (Page p : pages) {
        write(book.newWorksheet(p.name), p, numbers);
      }
    } catch (IOException e) {
      throw new java.io.UncheckedIOException("writing to memory", e);
    }
    return undated(out.toByteArray());
  }

  private static void write(Worksheet w, Page page, boolean numbers) {
    List<List<String>> rows = page.rows;
    for (int r = 0; r < rows.size(); r++) {
      for (int c = 0; c < rows.get(r).size(); c++) {
        String cell = rows.get(r).get(c);
        if (numbers && cell.matches("-?\\d{1,12}(\\.\\d{1,12})?")) {
          w.value(r, c, Double.parseDouble(cell));
        } else if (!cell.isEmpty()) {
          w.value(r, c, cell);
        }
      }
    }
    int columns = rows.isEmpty() ? 0 : rows.get(0).size();
    for (int i = 0; i < columns; i++) {
      w.width(i, page.widths.get(Math.min(i, page.widths.size() - 1)));
    }
    if (page.heading && columns > 0) {
      w.range(0, 0, 0, columns - 1).style().bold().fillColor("DCEBE7").set();
      w.freezePane(0, 1);
    } else if (columns > 0) {
      w.range(0, 0, rows.size() - 1, 0).style().bold().set();
    }
  }

  /** The library writes the time of writing into the file; the same pages give the same bytes. */
  static byte[] undated(byte[] bytes) {
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

  /** Whether the bytes begin as a spreadsheet does, or any other packed file. */
  public static boolean isPacked(byte[] bytes) {
    return bytes.length > 3 && bytes[0] == 'P' && bytes[1] == 'K';
  }

  /**
   * All sheets of a spreadsheet by name, in its order; row n of a sheet is member n − 1 of its
   * list.
   *
   * @throws TableException when it is no spreadsheet, is damaged or too large
   */
  public static Map<String, List<List<String>>> read(byte[] bytes) throws TableException {
    unpackable(bytes);
    try (ReadableWorkbook book = new ReadableWorkbook(new ByteArrayInputStream(bytes))) {
      Map<String, List<List<String>>> out = new LinkedHashMap<>();
      List<Sheet> sheets;
      try (Stream<Sheet> s = book.getSheets()) {
        sheets = s.toList();
      }
      for (Sheet s : sheets) {
        out.put(s.getName().strip(), rows(s));
      }
      return out;
    } catch (IOException | RuntimeException e) {
      throw new TableException(
          "", 0, "", "The file is no spreadsheet (XLSX) that can be read. Save it anew as XLSX.");
    }
  }

  /** A packed file may unpack to any size; this one may not. */
  private static void unpackable(byte[] bytes) throws TableException {
    long size = 0;
    int entries = 0;
    byte[] buffer = new byte[1 << 16];
    try (ZipFile zip = open(bytes)) {
      for (ZipArchiveEntry e : (Iterable<ZipArchiveEntry>) zip.getEntries()::asIterator) {
        entries++;
        try (InputStream in = zip.getInputStream(e)) {
          for (int n = in.read(buffer); n >= 0; n = in.read(buffer)) {
            size += n;
            if (size > MOST_UNPACKED || entries > MOST_ENTRIES) {
              throw new TableException(
                  "",
                  0,
                  "",
                  "The spreadsheet unpacks to more than 100 MB; it should be far smaller.");
            }
          }
        }
      }
    } catch (IOException | RuntimeException e) {
      throw new TableException("", 0, "", "The spreadsheet is damaged. Save it anew as XLSX.");
    }
    if (entries == 0) {
      throw new TableException("", 0, "", "The file is no spreadsheet (XLSX).");
    }
  }

  private static List<List<String>> rows(Sheet sheet) throws IOException, TableException {
    List<List<String>> out = new ArrayList<>();
    try (Stream<Row> rows = sheet.openStream()) {
      for (Row r : (Iterable<Row>) rows::iterator) {
        if (r.getRowNum() > MOST_ROWS) {
          throw new TableException(sheet.getName(), MOST_ROWS, "", "The sheet has too many rows.");
        }
        while (out.size() < r.getRowNum() - 1) {
          out.add(List.of());
        }
        String[] cells = new String[Math.min(MOST_COLUMNS, r.getCellCount())];
        Arrays.fill(cells, "");
        for (int i = 0; i < cells.length; i++) {
          cells[i] = text(r.getCell(i));
        }
        out.add(List.of(cells));
      }
    }
    return out;
  }

  private static String text(Cell c) {
    if (c == null || c.getType() == CellType.ERROR) {
      return "";
    }
    String t = c.getText();
    return t == null ? "" : t.strip();
  }
}
