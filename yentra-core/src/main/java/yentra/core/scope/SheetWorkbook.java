package yentra.core.scope;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
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
import yentra.core.scope.Condition.Subject;
import yentra.core.scope.Requirement.Need;
import yentra.core.scope.ScopeSheet.Gravity;

/**
 * Scope sheets as spreadsheets (XLSX) with three sheets: About (name, purpose, what becomes of the
 * rest), Scope (one rule a row), Properties (one requirement a row). A row that begins with "and"
 * adds conditions to the row above. Cells say tests in words, see {@link ValueTest}.
 */
public final class SheetWorkbook {
  private static final int MOST_ROWS = 20_000;
  private static final long MOST_UNPACKED = 100_000_000;
  private static final String ABOUT = "About";
  private static final String SCOPE = "Scope";
  private static final String PROPERTIES = "Properties";

  /** Columns that select elements, the same in both sheets. */
  private static final List<String> SELECTING =
      List.of(
          "Class",
          "Subtypes",
          "Predefined type",
          "Type",
          "Storey",
          "Name",
          "Layer",
          "Material",
          "Classification system",
          "Classification",
          "Part of",
          "Part of by",
          "Attribute",
          "Where property set",
          "Where property",
          "Where value",
          "Where unit");

  private static final List<String> SCOPE_COLUMNS =
      joined(List.of("In or out"), SELECTING, List.of("Note"));
  private static final List<String> PROPERTY_COLUMNS =
      joined(
          List.of("Need", "Title"),
          SELECTING,
          List.of(
              "Asked of",
              "Property set",
              "Property",
              "Data type",
              "Values",
              "Unit",
              "Severity",
              "Schemas",
              "Note"));

  private SheetWorkbook() {}

  private static List<String> joined(List<String> first, List<String> then, List<String> last) {
    return Stream.of(first, then, last).flatMap(List::stream).toList();
  }

  /** The sheet as a spreadsheet; the same sheet gives the same bytes. */
  public static byte[] write(ScopeSheet sheet) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (Workbook book = new Workbook(out, "Yentra", "1.0")) {
      about(book.newWorksheet(ABOUT), sheet);
      Worksheet scope = book.newWorksheet(SCOPE);
      heading(scope, SCOPE_COLUMNS);
      int row = 1;
      for (ScopeRule r : sheet.rules()) {
        row =
            writeRows(
                scope,
                row,
                SCOPE_COLUMNS,
                List.of(r.in() ? "in" : "out"),
                r.selection(),
                "Note",
                r.note());
      }
      Worksheet properties = book.newWorksheet(PROPERTIES);
      heading(properties, PROPERTY_COLUMNS);
      row = 1;
      for (Requirement r : sheet.requirements()) {
        int first = row;
        row =
            writeRows(
                properties,
                row,
                PROPERTY_COLUMNS,
                List.of(need(r.need()), r.title()),
                r.selection(),
                "Note",
                r.note());
        asked(properties, first, r);
      }
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

  private static void about(Worksheet w, ScopeSheet s) {
    String[][] lines = {
      {"Name", s.name()},
      {"Purpose", s.purpose()},
      {"All other elements", s.othersIn() ? "in" : "out"},
      {"All other properties", s.othersKept() ? "keep" : "drop"},
      {"", ""},
      {
        "How to read it",
        "Rules are read from top to bottom; the last one that fits an element decides."
      },
      {"", "A row that begins with \"and\" adds conditions to the row above."},
      {
        "",
        "Cells: Office; Store (one of) · contains gross · pattern W-\\d+ · 0.1 to 0.3 · at least 2 · above 2 · length 3 to 8 · not … · any · missing · … and also …"
      }
    };
    w.width(0, 22);
    w.width(1, 80);
    for (int i = 0; i < lines.length; i++) {
      w.value(i, 0, lines[i][0]);
      w.value(i, 1, lines[i][1]);
    }
    w.range(0, 0, lines.length - 1, 0).style().bold().set();
  }

  private static void heading(Worksheet w, List<String> columns) {
    for (int i = 0; i < columns.size(); i++) {
      w.value(0, i, columns.get(i));
      w.width(i, columns.get(i).equals("Note") ? 50 : 18);
    }
    w.range(0, 0, 0, columns.size() - 1).style().bold().fillColor("DCEBE7").set();
    w.freezePane(0, 1);
  }

  private static int writeRows(
      Worksheet w,
      int row,
      List<String> columns,
      List<String> lead,
      Selection s,
      String noteColumn,
      String note) {
    for (int i = 0; i < lead.size(); i++) {
      put(w, row, i, lead.get(i));
    }
    put(w, row, columns.indexOf(noteColumn), note);
    if (s.classes() != null) {
      put(w, row, columns.indexOf("Class"), s.classes().words());
      put(w, row, columns.indexOf("Subtypes"), s.subtypes() ? "yes" : "no");
    }
    int at = row;
    java.util.Set<Subject> used = java.util.EnumSet.noneOf(Subject.class);
    for (Condition c : s.conditions()) {
      Subject slot = slot(c.subject());
      if (!used.add(slot)) {
        at++;
        used = java.util.EnumSet.of(slot);
        put(w, at, 0, "and");
      }
      condition(w, at, columns, c);
    }
    return at + 1;
  }

  /** Attributes use the columns of properties. */
  private static Subject slot(Subject s) {
    return s == Subject.ATTRIBUTE ? Subject.PROPERTY : s;
  }

  private static void condition(Worksheet w, int row, List<String> columns, Condition c) {
    String test = c.test().words();
    switch (c.subject()) {
      case PREDEFINED_TYPE -> put(w, row, columns.indexOf("Predefined type"), test);
      case TYPE -> put(w, row, columns.indexOf("Type"), test);
      case STOREY -> put(w, row, columns.indexOf("Storey"), test);
      case NAME -> put(w, row, columns.indexOf("Name"), test);
      case LAYER -> put(w, row, columns.indexOf("Layer"), test);
      case MATERIAL -> put(w, row, columns.indexOf("Material"), test);
      case CLASSIFICATION -> {
        put(w, row, columns.indexOf("Classification system"), words(c.set()));
        put(w, row, columns.indexOf("Classification"), test);
      }
      case PART_OF, CLASS -> {
        put(
            w,
            row,
            columns.indexOf("Part of"),
            test + (c.name() == null ? "" : " / " + words(c.name())));
        put(
            w,
            row,
            columns.indexOf("Part of by"),
            c.subject() == Subject.CLASS ? "itself" : words(c.set()));
      }
      case ATTRIBUTE -> {
        put(w, row, columns.indexOf("Attribute"), words(c.name()));
        put(w, row, columns.indexOf("Where value"), test);
        put(w, row, columns.indexOf("Where unit"), c.unit());
      }
      case PROPERTY -> {
        put(w, row, columns.indexOf("Where property set"), words(c.set()));
        put(w, row, columns.indexOf("Where property"), words(c.name()) + dataType(c));
        put(w, row, columns.indexOf("Where value"), test);
        put(w, row, columns.indexOf("Where unit"), c.unit());
      }
      default -> throw new IllegalStateException("no column for " + c.subject());
    }
  }

  private static String dataType(Condition c) {
    return c.dataType().isEmpty() ? "" : " : " + c.dataType();
  }

  private static void asked(Worksheet w, int row, Requirement r) {
    Condition c = r.what();
    List<String> k = PROPERTY_COLUMNS;
    put(w, row, k.indexOf("Severity"), r.gravity().name().toLowerCase(Locale.ROOT));
    put(w, row, k.indexOf("Schemas"), r.schemas());
    if (c == null) {
      return;
    }
    put(w, row, k.indexOf("Asked of"), subject(c.subject()));
    put(w, row, k.indexOf("Property set"), words(c.set()));
    put(w, row, k.indexOf("Property"), words(c.name()));
    put(w, row, k.indexOf("Data type"), c.dataType());
    put(w, row, k.indexOf("Values"), c.test().words());
    put(w, row, k.indexOf("Unit"), c.unit());
  }

  private static String subject(Subject s) {
    return s.name().toLowerCase(Locale.ROOT).replace('_', ' ');
  }

  private static String need(Need n) {
    return switch (n) {
      case EXISTS -> "must exist";
      case ABSENT -> "must not exist";
      default -> n.name().toLowerCase(Locale.ROOT);
    };
  }

  private static String words(ValueTest t) {
    return t == null ? "" : t.words();
  }

  private static void put(Worksheet w, int row, int column, String text) {
    if (!text.isEmpty()) {
      w.value(row, column, text);
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
      List<List<String>> about = rows(book, ABOUT, true);
      List<List<String>> scope = rows(book, SCOPE, true);
      List<List<String>> properties = rows(book, PROPERTIES, false);
      return new SheetRows(SCOPE, scope, PROPERTIES, properties, ABOUT, about).sheet();
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

  static List<String> scopeColumns() {
    return SCOPE_COLUMNS;
  }

  static List<String> propertyColumns() {
    return PROPERTY_COLUMNS;
  }

  static Gravity gravity(String word) {
    return word.isEmpty() ? Gravity.WARNING : Gravity.valueOf(word.toUpperCase(Locale.ROOT));
  }
}
