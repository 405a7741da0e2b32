package yentra.core.library;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import yentra.core.library.Library.LibraryConstruction;
import yentra.core.library.Library.LibraryFrame;
import yentra.core.library.Library.LibraryGlazing;
import yentra.core.library.Library.LibraryLayer;
import yentra.core.library.Library.LibraryMaterial;
import yentra.core.table.CsvText;
import yentra.core.table.TableException;
import yentra.core.table.TableRows;
import yentra.core.table.Workbooks;

/**
 * A library as a spreadsheet (XLSX, one sheet a kind) or CSV file (the kind is told by its
 * columns). Rows that cannot be understood are said with row, column and reason; the others are
 * read.
 *
 * @param faults in the order of the file
 */
public record LibraryFile(Library library, List<Fault> faults) {
  /** Takes what is wrong with rows. */
  interface Faults {
    void add(TableException e);
  }

  /** A row that was left out. */
  public record Fault(String sheet, int row, String column, String message) {}

  static final String MATERIAL = "Material";
  static final String CONSTRUCTION = "Construction";
  static final String GLAZING = "Window type";
  static final String FRAME = "Frame";

  private static final String CATEGORY = "Category";
  private static final String CONDUCTIVITY = "Conductivity (W/mK)";
  private static final String DENSITY = "Density (kg/m3)";
  private static final String HEAT = "Specific heat (J/kgK)";
  private static final String RESISTANCE = "Resistance (m2K/W)";
  private static final String SOURCE = "Source";
  private static final String FOR = "For";
  private static final String LAYER = "Layer";
  private static final String THICKNESS = "Thickness (m)";
  private static final String SHARE = "Share";
  private static final String U = "U-value (W/m2K)";
  private static final String OF_WINDOW = " of the window";
  private static final String GAIN = "Solar heat gain coefficient" + OF_WINDOW;
  private static final String VISIBLE = "Visible transmittance" + OF_WINDOW;
  private static final String PSI_CLEAR = "Psi, uncoated glass (W/mK)";
  private static final String PSI_COATED = "Psi, low-e or gas (W/mK)";

  private static final List<String> MATERIAL_COLUMNS =
      List.of(MATERIAL, CATEGORY, CONDUCTIVITY, DENSITY, HEAT, RESISTANCE, SOURCE);
  private static final List<String> CONSTRUCTION_COLUMNS =
      List.of(CONSTRUCTION, FOR, LAYER, THICKNESS, SHARE, U, SOURCE);
  private static final List<String> GLAZING_COLUMNS =
      List.of(GLAZING, CATEGORY, U, GAIN, VISIBLE, SOURCE);
  private static final List<String> FRAME_COLUMNS =
      List.of(FRAME, U, PSI_CLEAR, PSI_COATED, SOURCE);

  public LibraryFile {
    faults = List.copyOf(faults);
  }

  /**
   * Reads a file.
   *
   * @param name of the file, for messages
   * @param known a library whose materials layers may be of
   */
  public static LibraryFile read(String name, byte[] bytes, Library known) {
    Reading r = new Reading(known);
    try {
      Map<String, List<List<String>>> sheets =
          Workbooks.isPacked(bytes) ? Workbooks.read(bytes) : Map.of("", CsvText.read(bytes));
      int understood = 0;
      // materials first: layers are of them; schedules before the uses that name them
      for (String kind :
          List.of(MATERIAL, CONSTRUCTION, GLAZING, FRAME, ScheduleSheet.SCHEDULE, UseSheet.USE)) {
        for (Map.Entry<String, List<List<String>>> s : sheets.entrySet()) {
          if (kind.equals(kind(s.getValue()))) {
            understood++;
            r.sheet(kind, s.getKey(), s.getValue());
          }
        }
      }
      if (understood == 0) {
        r.faults.add(
            new Fault(
                "",
                1,
                "",
                name
                    + " has no sheet with a column "
                    + String.join(
                        ", ", List.of(MATERIAL, CONSTRUCTION, GLAZING, FRAME, UseSheet.USE))
                    + " or "
                    + ScheduleSheet.SCHEDULE
                    + " in its first row."));
      }
      if (r.faults.isEmpty() && r.library().items().isEmpty()) {
        r.faults.add(new Fault("", 1, "", name + " has no rows below its heading."));
      }
    } catch (TableException e) {
      r.fault(e);
    }
    return new LibraryFile(r.library(), r.faults);
  }

  private static String kind(List<List<String>> rows) {
    List<String> heading = rows.isEmpty() ? List.of() : rows.get(0);
    for (String kind :
        List.of(CONSTRUCTION, GLAZING, FRAME, MATERIAL, UseSheet.USE, ScheduleSheet.SCHEDULE)) {
      if (heading.stream()
          .anyMatch(
              h -> h.strip().toLowerCase(Locale.ROOT).equals(kind.toLowerCase(Locale.ROOT)))) {
        return kind;
      }
    }
    return "";
  }

  /** The same library as a spreadsheet with a sheet for each kind. */
  public static byte[] write(Library l) {
    List<List<String>> materials = new ArrayList<>(List.of(MATERIAL_COLUMNS));
    for (LibraryMaterial m : l.materials()) {
      materials.add(
          List.of(
              m.name(),
              m.category(),
              text(m.conductivity()),
              text(m.density()),
              text(m.specificHeat()),
              text(m.resistance()),
              m.source()));
    }
    List<List<String>> constructions = new ArrayList<>(List.of(CONSTRUCTION_COLUMNS));
    for (LibraryConstruction c : l.constructions()) {
      for (LibraryLayer x :
          c.layers().isEmpty() ? List.of(new LibraryLayer("", null, null)) : c.layers()) {
        constructions.add(
            List.of(
                c.name(),
                c.use(),
                x.material(),
                text(x.thickness()),
                text(x.share()),
                text(c.uValue()),
                c.source()));
      }
    }
    List<List<String>> glazings = new ArrayList<>(List.of(GLAZING_COLUMNS));
    for (LibraryGlazing g : l.glazings()) {
      glazings.add(
          List.of(
              g.name(),
              g.category(),
              text(g.uValue()),
              text(g.solarHeatGain()),
              text(g.visibleTransmittance()),
              g.source()));
    }
    List<List<String>> frames = new ArrayList<>(List.of(FRAME_COLUMNS));
    for (LibraryFrame f : l.frames()) {
      frames.add(
          List.of(f.name(), text(f.uValue()), text(f.psiClear()), text(f.psiCoated()), f.source()));
    }
    List<Integer> widths = List.of(44, 22, 20);
    return Workbooks.write(
        List.of(
            new Workbooks.Page("Materials", materials, true, widths),
            new Workbooks.Page("Constructions", constructions, true, widths),
            new Workbooks.Page("Window types", glazings, true, widths),
            new Workbooks.Page("Frames", frames, true, widths),
            new Workbooks.Page("Uses", UseSheet.write(l.uses()), true, widths),
            new Workbooks.Page(
                "Schedules", ScheduleSheet.write(l.schedules()), true, List.of(26, 10, 8, 8, 18))),
        true);
  }

  static String text(String s) {
    return s == null ? "" : s;
  }

  static String text(Double v) {
    return v == null ? "" : java.math.BigDecimal.valueOf(v).stripTrailingZeros().toPlainString();
  }

  /** One pass over a file. */
  private static final class Reading {
    private final Library known;
    private final List<Fault> faults = new ArrayList<>();
    private final Map<String, LibraryMaterial> materials = new LinkedHashMap<>();
    private final Map<String, LibraryConstruction> constructions = new LinkedHashMap<>();
    private final Map<String, LibraryGlazing> glazings = new LinkedHashMap<>();
    private final Map<String, LibraryFrame> frames = new LinkedHashMap<>();
    private final Map<String, SpaceUse> uses = new LinkedHashMap<>();
    private final Map<String, LibrarySchedule> schedules = new LinkedHashMap<>();

    Reading(Library known) {
      this.known = known;
    }

    Library library() {
      return new Library(
          List.copyOf(materials.values()),
          List.copyOf(constructions.values()),
          List.copyOf(glazings.values()),
          List.copyOf(frames.values()),
          List.copyOf(uses.values()),
          List.copyOf(schedules.values()));
    }

    void fault(TableException e) {
      faults.add(new Fault(e.sheet(), e.row(), e.column(), e.getMessage()));
    }

    /** Headings that do not say of what a value is: of the window, as it is rated. */
    private static List<List<String>> whole(List<List<String>> rows) {
      List<List<String>> out = new ArrayList<>(rows);
      if (!out.isEmpty()) {
        out.set(
            0,
            rows.get(0).stream()
                .map(
                    h -> {
                      String plain = h == null ? "" : h.strip();
                      return (plain + OF_WINDOW).equalsIgnoreCase(GAIN)
                              || (plain + OF_WINDOW).equalsIgnoreCase(VISIBLE)
                          ? plain + OF_WINDOW
                          : h;
                    })
                .toList());
      }
      return out;
    }

    void sheet(String kind, String sheet, List<List<String>> rows) throws TableException {
      switch (kind) {
        case MATERIAL -> each(sheet, rows, MATERIAL_COLUMNS, List.of(MATERIAL), this::material);
        case GLAZING -> each(sheet, whole(rows), GLAZING_COLUMNS, List.of(GLAZING), this::glazing);
        case FRAME -> each(sheet, rows, FRAME_COLUMNS, List.of(FRAME, U), this::frame);
        case ScheduleSheet.SCHEDULE ->
            schedules.putAll(ScheduleSheet.all(sheet, rows, this::fault));
        case UseSheet.USE ->
            uses.putAll(UseSheet.all(sheet, rows, library().over(known), this::fault));
        default -> constructions(sheet, rows);
      }
    }

    private interface RowReader {
      void read(TableRows.Line l) throws TableException;
    }

    private void each(
        String sheet,
        List<List<String>> rows,
        List<String> columns,
        List<String> needed,
        RowReader reader)
        throws TableException {
      for (TableRows.Line l : TableRows.of(sheet, rows, columns, needed)) {
        try {
          reader.read(l);
        } catch (TableException e) {
          fault(e);
        }
      }
    }

    private static <T> void put(
        Map<String, T> into, String column, String name, T t, TableRows.Line l)
        throws TableException {
      if (into.putIfAbsent(Library.plain(name), t) != null) {
        throw l.fault(column, "\"" + name + "\" is there twice.");
      }
    }

    private void material(TableRows.Line l) throws TableException {
      String name = l.required(MATERIAL);
      Double conductivity = l.number(CONDUCTIVITY, 0.001, 1000);
      Double resistance = l.number(RESISTANCE, 0.0001, 100);
      if (conductivity == null && resistance == null) {
        throw l.fault(CONDUCTIVITY, "A material needs a conductivity or a resistance.");
      }
      put(
          materials,
          MATERIAL,
          name,
          new LibraryMaterial(
              name,
              l.get(CATEGORY),
              conductivity,
              l.number(DENSITY, 0.1, 25_000),
              l.number(HEAT, 50, 10_000),
              resistance,
              l.get(SOURCE)),
          l);
    }

    private void glazing(TableRows.Line l) throws TableException {
      String name = l.required(GLAZING);
      put(
          glazings,
          GLAZING,
          name,
          new LibraryGlazing(
              name,
              l.get(CATEGORY),
              l.number(U, 0.1, 10),
              l.number(GAIN, 0, 1),
              l.number(VISIBLE, 0, 1),
              l.get(SOURCE)),
          l);
    }

    private void frame(TableRows.Line l) throws TableException {
      String name = l.required(FRAME);
      Double u = l.number(U, 0.1, 20);
      if (u == null) {
        throw l.fault(U, "A frame needs a U-value.");
      }
      put(
          frames,
          FRAME,
          name,
          new LibraryFrame(
              name, u, l.number(PSI_CLEAR, -1, 1), l.number(PSI_COATED, -1, 1), l.get(SOURCE)),
          l);
    }

    /** Rows of one name make one construction; one bad row leaves it out whole. */
    private void constructions(String sheet, List<List<String>> rows) throws TableException {
      Map<String, List<TableRows.Line>> by = new LinkedHashMap<>();
      for (TableRows.Line l :
          TableRows.of(sheet, rows, CONSTRUCTION_COLUMNS, List.of(CONSTRUCTION))) {
        try {
          by.computeIfAbsent(Library.plain(l.required(CONSTRUCTION)), k -> new ArrayList<>())
              .add(l);
        } catch (TableException e) {
          fault(e);
        }
      }
      for (Map.Entry<String, List<TableRows.Line>> c : by.entrySet()) {
        try {
          constructions.put(c.getKey(), construction(c.getValue()));
        } catch (TableException e) {
          fault(e);
        }
      }
    }

    private LibraryConstruction construction(List<TableRows.Line> lines) throws TableException {
      TableRows.Line first = lines.get(0);
      List<LibraryLayer> layers = new ArrayList<>();
      Double u = null;
      for (TableRows.Line l : lines) {
        u = u == null ? l.number(U, 0.01, 20) : u;
        if (l.has(LAYER)) {
          layers.add(layer(l));
        }
      }
      if (layers.isEmpty() && u == null) {
        throw first.fault(LAYER, "A construction needs layers or a U-value.");
      }
      return new LibraryConstruction(
          first.get(CONSTRUCTION), first.get(FOR), layers, u, first.get(SOURCE));
    }

    private LibraryLayer layer(TableRows.Line l) throws TableException {
      String name = l.get(LAYER);
      LibraryMaterial m = materials.get(Library.plain(name));
      if (m == null) {
        m =
            known
                .material(name)
                .orElseThrow(
                    () ->
                        l.fault(
                            LAYER,
                            "There is no material \""
                                + name
                                + "\", neither in this file nor in the library."));
      }
      Double thickness = l.number(THICKNESS, 0.00005, 5);
      if (thickness == null && m.resistance() == null) {
        throw l.fault(THICKNESS, "A layer of " + m.name() + " needs a thickness.");
      }
      return new LibraryLayer(m.name(), thickness, l.number(SHARE, 0.0001, 1));
    }
  }
}
