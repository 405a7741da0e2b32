package yentra.demo;

import static yentra.demo.StepFile.guid;
import static yentra.demo.StepFile.text;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;

/**
 * What an architect's model of the station holds besides rooms and what bounds them: furniture,
 * sanitary fittings, structure, services, a lifeboat, neighbours; and the flaws that such models
 * have.
 */
final class ArchitectsModel {
  /** Windows for which nobody has stated a U-value. */
  private static final Set<String> NO_TRANSMITTANCE = Set.of("op-8", "op-11", "op-12", "op-20");

  private final StepFile step;
  private final IfcWriter out;
  private final IfcElements elements;
  private int items;
  private int external;

  ArchitectsModel(StepFile step, IfcWriter out, IfcElements elements) {
    this.step = step;
    this.out = out;
    this.elements = elements;
  }

  /** Three outer walls of which it is not said that they are external. */
  boolean lacksExternal(Surface s) {
    return s.type() == SurfaceType.EXTERIOR_WALL && external++ < 3;
  }

  boolean lacksTransmittance(Opening o) {
    return NO_TRANSMITTANCE.contains(o.key());
  }

  /** Areas as drawn, but for one window that was made larger after the schedule was written. */
  double statedArea(Opening o) {
    return o.polygon().area() * (o.key().equals("op-2") ? 0.8 : 1);
  }

  /** Properties of a door; one has its thermal transmittance in percent, it seems. */
  List<String> door(Opening o) {
    List<String> values = new ArrayList<>();
    values.add("'FireRating',$,IFCLABEL('EI 30')");
    values.add(
        "'ThermalTransmittance',$,IFCTHERMALTRANSMITTANCEMEASURE("
            + (o.key().equals("op-9") ? "75." : "1.4")
            + ")");
    return values;
  }

  /** Spaces that wrap rooms: kept by the architect for area schedules. */
  List<Integer> grossAreas(String storey) {
    return switch (storey) {
      case "st-ground" ->
          List.of(
              gross("Crew department", 18, 30, 6, 12, 0, 3.4),
              gross("Service department", 18, 34, 0, 6, 0, 3.4));
      default -> List.of();
    };
  }

  private int gross(String name, double x0, double x1, double y0, double y1, double z0, double z1) {
    return step.add(
        "IFCSPACE("
            + guid(name)
            + ",$,"
            + text(name.substring(0, 1))
            + ",$,$,#"
            + out.placement()
            + ",#"
            + out.brep(box(x0, x1, y0, y1, z0, z1))
            + ","
            + text(name)
            + ",.ELEMENT.,.INTERNAL.,$)");
  }

  private static List<Polygon> box(
      double x0, double x1, double y0, double y1, double z0, double z1) {
    return Room.prism(
        List.of(
            new Vec3(x0, y0, z0), new Vec3(x1, y0, z0), new Vec3(x1, y1, z0), new Vec3(x0, y1, z0)),
        new Vec3(0, 0, z1 - z0));
  }

  /** An element with a box for a body; {@code size} along x, y, z. */
  private int put(String storey, String entity, String tail, String name, Vec3 at, double... size) {
    items++;
    int id =
        step.add(
            entity
                + "("
                + guid("item-" + items)
                + ",$,"
                + text(name)
                + ",$,$,#"
                + out.placement()
                + ",#"
                + out.brep(
                    box(
                        at.x(),
                        at.x() + size[0],
                        at.y(),
                        at.y() + size[1],
                        at.z(),
                        at.z() + size[2]))
                + ",$"
                + tail
                + ")");
    elements.contain(storey, id);
    return id;
  }

  void write() {
    hall();
    rooms();
    structure();
    services();
    outside();
    // drawn twice: the second one has neither openings nor materials nor boundaries
    put("st-ground", "IFCWALL", ",.STANDARD.", "Wall", new Vec3(26 - 0.083, 0, 0), 0.166, 6, 3.4);
  }

  private void hall() {
    String g = "st-ground";
    put(g, "IFCBUILDINGELEMENTPROXY", ",$", "Lifeboat", new Vec3(3, 4.2, 1.2), 11, 3.6, 2.6);
    put(g, "IFCBUILDINGELEMENTPROXY", ",$", "Launching trailer", new Vec3(3, 4.4, 0), 11, 3.2, 1.2);
    for (int i = 0; i < 6; i++) {
      furniture(g, "Kit rack", new Vec3(1.5 + 2.6 * i, 0.4, 0), 1.8, 0.6, 2);
    }
  }

  private void furniture(String storey, String name, Vec3 at, double... size) {
    int id = put(storey, "IFCFURNITURE", ",.NOTDEFINED.", name, at, size);
    elements.properties(
        "Schedule_Furniture",
        "item-" + items,
        id,
        List.of(
            "'Finish',$,IFCLABEL('Birch plywood, oiled')",
            "'Supplied by',$,IFCLABEL('Contractor')",
            "'Schedule row',$,IFCINTEGER(" + items + ")"));
  }

  private void rooms() {
    String g = "st-ground";
    String v = "st-gallery";
    for (int i = 0; i < 8; i++) {
      furniture(g, "Locker", new Vec3(24.3 + 0.62 * i, 11.3, 0), 0.6, 0.5, 1.9);
    }
    for (int i = 0; i < 4; i++) {
      furniture(g, "Armchair", new Vec3(18.6 + 1.2 * i, 10.4, 0), 0.8, 0.8, 0.9);
      furniture(g, "Workbench", new Vec3(18.5 + 1.9 * i, 5, 0), 1.6, 0.7, 0.9);
      furniture(v, "Display case", new Vec3(20 + 3 * i, 5.2, 3.4), 1.8, 1, 1.3);
      furniture(v, "Bench", new Vec3(20 + 3 * i, 9, 3.4), 1.6, 0.5, 0.45);
      put(
          g,
          "IFCSANITARYTERMINAL",
          ",.WASHHANDBASIN.",
          "Basin",
          new Vec3(24.4 + 0.9 * i, 6.2, 0.8),
          0.55,
          0.45,
          0.2);
      furniture("st-store", "Shelf", new Vec3(19 + 2.4 * i, 6.3, -2.8), 2, 0.6, 2.2);
    }
    put(g, "IFCFURNITURE", ",.NOTDEFINED.", "Range", new Vec3(29.2, 0.4, 0), 0.7, 2.4, 0.9);
  }

  private void structure() {
    for (int i = 0; i < 5; i++) {
      double x = 0.6 + 4.1 * i;
      put("st-ground", "IFCBEAM", ",.BEAM.", "Hall beam", new Vec3(x, 0.05, 6.3), 0.2, 11.9, 0.45);
      for (double y : new double[] {0.05, 11.75}) {
        put("st-ground", "IFCCOLUMN", ",.COLUMN.", "Hall post", new Vec3(x, y, 0), 0.2, 0.2, 6.3);
      }
    }
    for (int i = 0; i < 12; i++) {
      put(
          "st-ground",
          "IFCSTAIRFLIGHT",
          ",$,$,$,$,.STRAIGHT.",
          "Step",
          new Vec3(31 + 0.25 * i, 11.0 - 4.9, 0.28 * i),
          0.28,
          1.1,
          0.05);
    }
    put(
        "st-gallery",
        "IFCRAILING",
        ",.GUARDRAIL.",
        "Gallery rail",
        new Vec3(18.4, 1, 3.4),
        0.05,
        10,
        1.05);
  }

  private void services() {
    for (int i = 0; i < 10; i++) {
      put(
          "st-ground",
          "IFCDUCTSEGMENT",
          ",.RIGIDSEGMENT.",
          "Supply duct",
          new Vec3(18.5 + 1.5 * i, 2.8, 2.9),
          1.5,
          0.4,
          0.25);
      put(
          "st-ground",
          "IFCPIPESEGMENT",
          ",.RIGIDSEGMENT.",
          "Heating pipe",
          new Vec3(18.5 + 1.5 * i, 5.7, 0.1),
          1.5,
          0.03,
          0.03);
      put(
          "st-gallery",
          "IFCLIGHTFIXTURE",
          ",.POINTSOURCE.",
          "Spotlight",
          new Vec3(19 + 1.5 * i, 6, 5.7),
          0.15,
          0.15,
          0.2);
    }
    put("st-ground", "IFCBOILER", ",.WATER.", "Boiler", new Vec3(33, 0.5, 0), 0.7, 0.7, 1.7);
  }

  private void outside() {
    put(
        "st-ground",
        "IFCSHADINGDEVICE",
        ",.AWNING.",
        "Door canopy",
        new Vec3(-2.4, 1.5, 5.6),
        2.4,
        9,
        0.12);
    put(
        "st-gallery",
        "IFCSHADINGDEVICE",
        ",.AWNING.",
        "Terrace overhang",
        new Vec3(34.3, 0, 3.3),
        2.2,
        12,
        0.1);
    put(
        "st-ground",
        "IFCBUILDINGELEMENTPROXY",
        ",$",
        "Net loft (neighbour)",
        new Vec3(-4, -24, 0),
        12,
        10,
        7);
    put(
        "st-ground",
        "IFCBUILDINGELEMENTPROXY",
        ",$",
        "Harbour office (neighbour)",
        new Vec3(22, 24, 0),
        12,
        8,
        5.5);
    for (int i = 0; i < 8; i++) {
      put(
          "st-ground",
          "IFCGEOGRAPHICELEMENT",
          ",.NOTDEFINED.",
          "Bollard",
          new Vec3(-6 + 4 * i, -3, 0),
          0.3,
          0.3,
          0.9);
    }
  }
}
