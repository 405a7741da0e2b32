package yentra.core.exchange;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.UnreadableException;
import yentra.core.exchange.shape.DxfWriter;
import yentra.core.exchange.shape.GltfWriter;
import yentra.core.exchange.shape.ShapesWritten;
import yentra.core.gbxml.GbxmlConformance;
import yentra.core.gbxml.GbxmlReader;
import yentra.core.gbxml.GbxmlVersion;
import yentra.core.gbxml.GbxmlWriter;
import yentra.core.gbxml.VersionFit;
import yentra.core.geometry.Tolerance;
import yentra.core.ifc.write.IfcDialect;
import yentra.core.ifc.write.IfcModelWriter;

/**
 * A file made from an envelope and proven: read back and compared, or, for formats that are not
 * read, counted.
 *
 * @param bytes the file
 * @param notes what the format has no place for, and what was assumed in writing it
 * @param faults what of the file its own standard refuses; it comes from the delivery
 * @param differences what reading it back gives that the envelope does not say, or the other way
 *     round; should be empty
 * @param counts how much of what was written
 * @param readBack what was read back; null for formats that are not read
 */
public record Handover(
    HandoverFormat format,
    byte[] bytes,
    List<String> notes,
    List<String> faults,
    List<String> differences,
    Map<String, Integer> counts,
    Envelope readBack) {
  /**
   * Corners are written to the last digit; adding the origin of a model that is far from it and
   * taking it away again costs the last ones, m.
   */
  static final Tolerance EXACT = new Tolerance(1e-6, 1e-6, 1e-6, 1e-6);

  public Handover {
    notes = List.copyOf(notes);
    faults = List.copyOf(faults);
    differences = List.copyOf(differences);
  }

  /** The same without what was read back, which is as large as the building. */
  public Handover proofDone() {
    return new Handover(format, bytes, notes, faults, differences, counts, null);
  }

  /** Whether it says the same as the envelope, and its standard takes it. */
  public boolean isProven() {
    return differences.isEmpty() && faults.isEmpty();
  }

  /**
   * Makes a file of an envelope alone.
   *
   * @param context the envelope and what is measured of it
   * @throws IllegalArgumentException for a format that needs more: {@link HandoverFormat#XLSX}
   */
  public static Handover of(HandoverFormat format, CheckContext context, ReadLimits limits) {
    return switch (format) {
      case GBXML_0_37, GBXML_6_01, GBXML_7_03 -> gbxml(format, context, limits);
      case IFC4, IFC2X3 -> ifc(format, context, limits);
      case GLB -> shapes(format, context, GltfWriter::write);
      case DXF -> shapes(format, context, DxfWriter::write);
      case XLSX ->
          throw new IllegalArgumentException("schedules are made of more than an envelope");
    };
  }

  private static Handover gbxml(HandoverFormat format, CheckContext context, ReadLimits limits) {
    GbxmlVersion version = GbxmlVersion.of(format.version()).orElseThrow();
    List<String> notes = new ArrayList<>();
    Envelope apart = FacesApart.of(context.envelope(), context.types());
    Completed completed = Completed.of(apart, context);
    VersionFit fit = VersionFit.of(completed.envelope(), version);
    notes.addAll(completed.notes());
    notes.addAll(fit.notes());
    Envelope envelope = fit.envelope();
    ByteArrayOutputStream out = new ByteArrayOutputStream(1 << 16);
    try {
      GbxmlWriter.write(envelope, context.types(), version, out);
      byte[] bytes = out.toByteArray();
      Envelope back = GbxmlReader.read(new ByteArrayInputStream(bytes), limits);
      return new Handover(
          format,
          bytes,
          notes,
          GbxmlConformance.faults(new ByteArrayInputStream(bytes), version),
          EnvelopeDifference.between(envelope, back, EXACT),
          counts(back),
          back);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (UnreadableException e) {
      return unreadable(format, out.toByteArray(), notes, e);
    }
  }

  private static Handover ifc(HandoverFormat format, CheckContext context, ReadLimits limits) {
    IfcDialect dialect = format == HandoverFormat.IFC4 ? IfcDialect.IFC4 : IfcDialect.IFC2X3;
    Envelope envelope = context.envelope();
    return IfcHandover.proven(
        format,
        envelope,
        (typed, out) -> IfcModelWriter.write(envelope, context.types(), dialect, typed, out),
        limits);
  }

  static Handover unreadable(
      HandoverFormat format, byte[] bytes, List<String> notes, UnreadableException e) {
    return new Handover(
        format,
        bytes,
        notes,
        List.of(),
        List.of(
            "The written file cannot be read back: " + e.getMessage() + " (line " + e.line() + ")"),
        Map.of(),
        null);
  }

  static Map<String, Integer> counts(Envelope e) {
    Map<String, Integer> out = new LinkedHashMap<>();
    out.put("spaces", e.spaces().size());
    out.put("surfaces", e.surfaces().size());
    out.put("openings", e.openingCount());
    out.put("constructions", e.constructions().size());
    out.put("zones", e.zones().size());
    return out;
  }

  private interface Shapes {
    ShapesWritten write(CheckContext context, OutputStream out) throws IOException;
  }

  private static Handover shapes(HandoverFormat format, CheckContext context, Shapes writer) {
    ByteArrayOutputStream out = new ByteArrayOutputStream(1 << 16);
    try {
      ShapesWritten w = writer.write(context, out);
      Map<String, Integer> counts = new LinkedHashMap<>();
      counts.put("faces", w.faces());
      counts.put(format == HandoverFormat.DXF ? "layers" : "kinds of faces", w.groups());
      List<String> notes = new ArrayList<>();
      if (w.withoutArea() > 0) {
        notes.add(w.withoutArea() + " faces have no area and are left out.");
      }
      if (!context.envelope().orphans().isEmpty()) {
        notes.add(
            context.envelope().orphans().size() + " openings that lie in no surface are left out.");
      }
      return new Handover(format, out.toByteArray(), notes, List.of(), List.of(), counts, null);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Schedules of a state as a spreadsheet. */
  public static Handover schedules(BuildingSchedules.Made made) {
    return new Handover(
        HandoverFormat.XLSX, made.bytes(), List.of(), List.of(), List.of(), made.rows(), null);
  }
}
