package yentra.demo;

import static yentra.demo.StepFile.guid;
import static yentra.demo.StepFile.number;
import static yentra.demo.StepFile.refs;
import static yentra.demo.StepFile.text;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Layer;
import yentra.core.envelope.Material;
import yentra.core.envelope.Space;
import yentra.core.envelope.Storey;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;

/**
 * Writes an envelope as the IFC4 file of an architect who exports second-level space boundaries:
 * spaces as faceted bodies, an element of the right class for each surface, windows and doors in
 * openings, all with bodies, material layer sets with thermal properties, common property sets,
 * zones, and curve-bounded planes as connection geometry. Lengths in metres; spaces reach to the
 * middle of partitions and to the inner face of outer walls.
 */
final class IfcWriter {
  private final Envelope envelope;
  private final Map<String, Integer> spaces = new LinkedHashMap<>();
  private final Map<String, Integer> layerSets = new HashMap<>();
  private final Map<String, Integer> storeys = new LinkedHashMap<>();
  private final StepFile step = new StepFile();
  private final IfcElements elements;
  private int placement;
  private int context;

  private IfcWriter(Envelope envelope, boolean whole) {
    this.envelope = envelope;
    this.elements = new IfcElements(envelope, step, this, whole);
  }

  /**
   * Writes the file.
   *
   * @param whole with all that an architect's model holds besides, and its flaws
   */
  static byte[] write(Envelope envelope, boolean whole) {
    return new IfcWriter(envelope, whole).file().getBytes(StandardCharsets.US_ASCII);
  }

  private String file() {
    double north =
        Math.toRadians(
            envelope.site().northAzimuth() == null ? 0 : -envelope.site().northAzimuth());
    int origin = step.add("IFCAXIS2PLACEMENT3D(#" + step.point(Vec3.ZERO) + ",$,$)");
    int toNorth =
        step.add("IFCDIRECTION((" + number(Math.sin(north)) + "," + number(Math.cos(north)) + "))");
    context =
        step.add(
            "IFCGEOMETRICREPRESENTATIONCONTEXT($,'Model',3,1.E-5,#"
                + origin
                + ",#"
                + toNorth
                + ")");
    int metre = step.add("IFCSIUNIT(*,.LENGTHUNIT.,$,.METRE.)");
    int square = step.add("IFCSIUNIT(*,.AREAUNIT.,$,.SQUARE_METRE.)");
    int cubic = step.add("IFCSIUNIT(*,.VOLUMEUNIT.,$,.CUBIC_METRE.)");
    int radian = step.add("IFCSIUNIT(*,.PLANEANGLEUNIT.,$,.RADIAN.)");
    int units = step.add("IFCUNITASSIGNMENT(" + refs(List.of(metre, square, cubic, radian)) + ")");
    int project =
        step.add(
            "IFCPROJECT("
                + guid("project")
                + ",$,"
                + text(envelope.site().name())
                + ",$,$,$,$,(#"
                + context
                + "),#"
                + units
                + ")");
    placement = step.add("IFCLOCALPLACEMENT($,#" + origin + ")");
    int site =
        step.add(
            "IFCSITE("
                + guid("site")
                + ",$,"
                + text(envelope.site().name())
                + ",$,$,#"
                + placement
                + ",$,$,.ELEMENT.,"
                + compound(envelope.site().latitude())
                + ","
                + compound(envelope.site().longitude())
                + ","
                + number(envelope.site().elevation())
                + ",$,$)");
    int building =
        step.add(
            "IFCBUILDING("
                + guid("building")
                + ",$,"
                + text(envelope.buildings().get(0).name())
                + ",$,$,#"
                + placement
                + ",$,$,.ELEMENT.,0.,0.,$)");
    for (Storey s : envelope.storeys()) {
      int at =
          step.add(
              "IFCLOCALPLACEMENT(#"
                  + placement
                  + ",#"
                  + step.add(
                      "IFCAXIS2PLACEMENT3D(#" + step.point(new Vec3(0, 0, s.level())) + ",$,$)")
                  + ")");
      storeys.put(
          s.key(),
          step.add(
              "IFCBUILDINGSTOREY("
                  + guid(s.key())
                  + ",$,"
                  + text(s.name())
                  + ",$,$,#"
                  + at
                  + ",$,$,.ELEMENT.,"
                  + number(s.level())
                  + ")"));
    }
    aggregate("a1", project, List.of(site));
    aggregate("a2", site, List.of(building));
    aggregate("a3", building, new ArrayList<>(storeys.values()));
    envelope.spaces().forEach(this::space);
    for (String storey : storeys.keySet()) {
      List<Integer> in = new ArrayList<>();
      envelope.spaces().stream()
          .filter(s -> storey.equals(s.storey()))
          .forEach(s -> in.add(spaces.get(s.key())));
      if (elements.more() != null) {
        in.addAll(elements.more().grossAreas(storey));
      }
      aggregate("spaces-" + storey, storeys.get(storey), in);
    }
    envelope
        .zones()
        .forEach(
            z -> {
              int zone = step.add("IFCZONE(" + guid(z.key()) + ",$," + text(z.name()) + ",$,$,$)");
              List<Integer> in =
                  envelope.spaces().stream()
                      .filter(s -> z.key().equals(s.zone()))
                      .map(s -> spaces.get(s.key()))
                      .toList();
              step.add(
                  "IFCRELASSIGNSTOGROUP("
                      + guid("in-" + z.key())
                      + ",$,$,$,"
                      + refs(in)
                      + ",$,#"
                      + zone
                      + ")");
            });
    envelope.constructions().forEach(this::layerSet);
    envelope.surfaces().forEach(elements::surface);
    ArchitectsModel more = elements.more();
    if (more != null) {
      more.write();
    }
    elements.relate();
    return "ISO-10303-21;\nHEADER;\nFILE_DESCRIPTION(('ViewDefinition [CoordinationView, SpaceBoundary2ndLevelAddOnView]'),'2;1');\n"
        + "FILE_NAME('marram-point.ifc','2026-01-01T00:00:00',(''),(''),'Yentra demo','Yentra demo','');\nFILE_SCHEMA(('IFC4'));\nENDSEC;\nDATA;\n"
        + step.data()
        + "ENDSEC;\nEND-ISO-10303-21;\n";
  }

  private static String compound(double degrees) {
    long micro = Math.round(degrees * 3.6e9);
    return "("
        + micro / 3_600_000_000L
        + ","
        + micro / 60_000_000L % 60
        + ","
        + micro / 1_000_000L % 60
        + ","
        + micro % 1_000_000L
        + ")";
  }

  private void aggregate(String name, int whole, List<Integer> parts) {
    if (!parts.isEmpty()) {
      step.add("IFCRELAGGREGATES(" + guid(name) + ",$,$,$,#" + whole + "," + refs(parts) + ")");
    }
  }

  /** Where everything is placed. */
  int placement() {
    return placement;
  }

  /** A closed body as the shape of a product. */
  int brep(List<Polygon> faces) {
    return step.brep(context, faces);
  }

  int space(String key) {
    return spaces.get(key);
  }

  int storey(String key) {
    return storeys.get(key);
  }

  /** The layer set of a construction; null for one without. */
  Integer layerSet(String construction) {
    return layerSets.get(construction);
  }

  private void space(Space s) {
    int body = brep(s.shell());
    int id =
        step.add(
            "IFCSPACE("
                + guid(s.key())
                + ",$,"
                + text(s.key().replace("sp-", ""))
                + ",$,$,#"
                + placement
                + ",#"
                + body
                + ","
                + text(s.name())
                + ",.ELEMENT.,.SPACE.,$)");
    spaces.put(s.key(), id);
    int area =
        step.add("IFCQUANTITYAREA('NetFloorArea',$,$," + number(s.statedFloorArea()) + ",$)");
    int volume = step.add("IFCQUANTITYVOLUME('NetVolume',$,$," + number(s.statedVolume()) + ",$)");
    int set =
        step.add(
            "IFCELEMENTQUANTITY("
                + guid("q" + s.key())
                + ",$,'Qto_SpaceBaseQuantities',$,$,(#"
                + area
                + ",#"
                + volume
                + "))");
    step.add(
        "IFCRELDEFINESBYPROPERTIES(" + guid("d" + s.key()) + ",$,$,$,(#" + id + "),#" + set + ")");
  }

  private void layerSet(Construction c) {
    List<Integer> ids = new ArrayList<>();
    Map<String, Material> materials = new HashMap<>();
    envelope.materials().forEach(m -> materials.put(m.key(), m));
    for (Layer l : envelope.layers()) {
      if (c.layers().contains(l.key())) {
        for (String key : l.materials()) {
          Material m = materials.get(key);
          int material = step.add("IFCMATERIAL(" + text(m.name()) + ",$,$)");
          int conductivity =
              step.add(
                  "IFCPROPERTYSINGLEVALUE('ThermalConductivity',$,IFCTHERMALCONDUCTIVITYMEASURE("
                      + number(m.conductivity())
                      + "),$)");
          int heat =
              step.add(
                  "IFCPROPERTYSINGLEVALUE('SpecificHeatCapacity',$,IFCSPECIFICHEATCAPACITYMEASURE("
                      + number(m.specificHeat())
                      + "),$)");
          int density =
              step.add(
                  "IFCPROPERTYSINGLEVALUE('MassDensity',$,IFCMASSDENSITYMEASURE("
                      + number(m.density())
                      + "),$)");
          step.add(
              "IFCMATERIALPROPERTIES('Pset_MaterialThermal',$,(#"
                  + conductivity
                  + ",#"
                  + heat
                  + "),#"
                  + material
                  + ")");
          step.add(
              "IFCMATERIALPROPERTIES('Pset_MaterialCommon',$,(#"
                  + density
                  + "),#"
                  + material
                  + ")");
          ids.add(
              step.add(
                  "IFCMATERIALLAYER(#" + material + "," + number(m.thickness()) + ",$,$,$,$,$)"));
        }
      }
    }
    layerSets.put(
        c.key(), step.add("IFCMATERIALLAYERSET(" + refs(ids) + "," + text(c.name()) + ",$)"));
  }
}
