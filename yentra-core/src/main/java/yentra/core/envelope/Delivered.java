package yentra.core.envelope;

import yentra.core.geometry.Vec3;
import yentra.core.units.LengthUnit;

/**
 * The frame of the delivered document: what is needed to write back what Yentra does not
 * understand.
 *
 * @param format {@code gbxml}, {@code ifc} or {@code plan}
 * @param schema the schema or version as the file states it, or empty
 * @param length unit of lengths in the file
 * @param area unit whose square areas are in
 * @param volume unit whose cube volumes are in
 * @param temperature C, F, K or R
 * @param campus key of gbXML's Campus
 * @param root attributes and children of the root element that are not understood
 * @param campusExtras the same of Campus
 * @param prologue comments and processing instructions before the root element
 * @param origin the point of the file's own coordinates, in metres, that is the origin of the
 *     envelope; added again on writing
 */
public record Delivered(
    String format,
    String schema,
    LengthUnit length,
    LengthUnit area,
    LengthUnit volume,
    String temperature,
    String campus,
    Extras root,
    Extras campusExtras,
    java.util.List<String> prologue,
    Vec3 origin) {
  public static final String GBXML = "gbxml";
  public static final String IFC = "ifc";
  public static final String PLAN = "plan";

  public Delivered {
    prologue = java.util.List.copyOf(prologue);
  }

  public Delivered withRoot(Extras x) {
    return new Delivered(
        format,
        schema,
        length,
        area,
        volume,
        temperature,
        campus,
        x,
        campusExtras,
        prologue,
        origin);
  }

  public Delivered withCampusExtras(Extras x) {
    return new Delivered(
        format, schema, length, area, volume, temperature, campus, root, x, prologue, origin);
  }

  /** The frame of an envelope that was not read from gbXML: SI throughout. */
  public static Delivered si(String format, String schema, Vec3 origin) {
    return new Delivered(
        format,
        schema,
        LengthUnit.METRE,
        LengthUnit.METRE,
        LengthUnit.METRE,
        "C",
        "campus-1",
        Extras.NONE,
        Extras.NONE,
        java.util.List.of(),
        origin);
  }
}
