package yentra.core.exchange;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.envelope.UnreadableException;
import yentra.core.gbxml.GbxmlReader;
import yentra.core.gbxml.GbxmlWriter;
import yentra.core.geometry.Tolerance;
import yentra.core.ifc.IfcReader;
import yentra.core.ifc.write.IfcModelWriter;

/**
 * A file made from an envelope and read back.
 *
 * @param bytes the file
 * @param notes what the format has no place for, and what was assumed in writing it
 * @param differences what reading it back gives that the envelope does not say, or the other way
 *     round; should be empty
 */
public record Handover(byte[] bytes, List<String> notes, List<String> differences) {
  /**
   * Corners are written to the last digit; adding the origin of a model that is far from it and
   * taking it away again costs the last ones, m.
   */
  private static final Tolerance EXACT = new Tolerance(1e-6, 1e-6, 1e-6, 1e-6);

  /**
   * Writes gbXML 6.01 and reads it back.
   *
   * @param types what an untyped surface is by its tilt
   */
  public static Handover gbxml(Envelope delivered, SurfaceTypes types, ReadLimits limits) {
    Envelope envelope = FacesApart.of(delivered, types);
    ByteArrayOutputStream out = new ByteArrayOutputStream(1 << 16);
    try {
      GbxmlWriter.write(envelope, types, out);
      byte[] bytes = out.toByteArray();
      Envelope back = GbxmlReader.read(new ByteArrayInputStream(bytes), limits);
      return new Handover(bytes, List.of(), EnvelopeDifference.between(envelope, back, EXACT));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (UnreadableException e) {
      return new Handover(out.toByteArray(), List.of(), unreadable(e));
    }
  }

  /**
   * Writes a complete IFC4 model with second-level space boundaries and reads it back.
   *
   * @param types what an untyped surface is by its tilt
   */
  public static Handover ifc(Envelope envelope, SurfaceTypes types, ReadLimits limits) {
    ByteArrayOutputStream out = new ByteArrayOutputStream(1 << 16);
    List<String> notes = List.of();
    try {
      IfcModelWriter.Written written = IfcModelWriter.write(envelope, types, out);
      notes = written.notes();
      byte[] bytes = out.toByteArray();
      Envelope back = IfcReader.read(bytes, limits, Tolerance.standard());
      return new Handover(
          bytes, notes, IfcReadBack.between(envelope, back, written.globalIds(), EXACT));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (UnreadableException e) {
      return new Handover(out.toByteArray(), notes, unreadable(e));
    }
  }

  private static List<String> unreadable(UnreadableException e) {
    return List.of(
        "The written file cannot be read back: " + e.getMessage() + " (line " + e.line() + ")");
  }
}
