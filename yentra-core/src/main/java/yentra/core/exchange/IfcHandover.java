package yentra.core.exchange;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import yentra.core.boundary.BoundaryOptions;
import yentra.core.boundary.Convention;
import yentra.core.boundary.DerivationOptions;
import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.UnreadableException;
import yentra.core.geometry.Tolerance;
import yentra.core.ifc.IfcModel;
import yentra.core.ifc.IfcReader;
import yentra.core.ifc.write.DeliveredFileWriter;
import yentra.core.ifc.write.IfcDialect;
import yentra.core.ifc.write.IfcModelWriter;

/**
 * IFC of an IFC delivery: the delivered file with the envelope as its space boundaries. Where it
 * cannot say what the envelope says, or another schema is wanted, a complete model is made instead,
 * which is said.
 */
final class IfcHandover {
  private IfcHandover() {}

  /** Boundaries are taken as they stand: those of other faces than the bodies' too. */
  private static final BoundaryOptions AS_WRITTEN =
      new BoundaryOptions(BoundaryOptions.Mode.KEEP, DerivationOptions.STANDARD, Convention.INNER);

  /**
   * Makes the file.
   *
   * @param delivered the envelope as it was read, scope decided, before any repair
   */
  static Handover of(
      HandoverFormat format,
      IfcModel model,
      DeliveredFileWriter.FileScope scope,
      Envelope delivered,
      CheckContext now,
      ReadLimits limits) {
    IfcDialect wanted = format == HandoverFormat.IFC4 ? IfcDialect.IFC4 : IfcDialect.IFC2X3;
    if (DeliveredFileWriter.dialect(model) != wanted) {
      return made(
          format,
          now,
          limits,
          "The file was delivered as "
              + model.schema()
              + ": a model of "
              + wanted.schema()
              + " was made of the envelope, with the GlobalIds of its spaces and boundaries, and"
              + " without the architect's bodies.");
    }
    Handover own =
        proven(
            format,
            now.envelope(),
            (typed, out) ->
                DeliveredFileWriter.write(model, scope, delivered, now.envelope(), typed, out),
            limits);
    if (own.differences().isEmpty()) {
      return own;
    }
    int n = own.differences().size();
    return made(
        format,
        now,
        limits,
        "The delivered file cannot say all that the envelope says, so a model was made of the"
            + " envelope: "
            + n
            + (n == 1 ? " difference, " : " differences, the first: ")
            + own.differences().get(0));
  }

  /** Writes a file, with the types of some surfaces in words. */
  interface Writer {
    IfcModelWriter.Written write(Set<String> typed, OutputStream out) throws IOException;
  }

  /**
   * Writes a file and reads it back. Surfaces that come back with another type than they have are
   * told apart by words in a second writing: there are few, and other readers expect none.
   */
  static Handover proven(HandoverFormat format, Envelope now, Writer writer, ReadLimits limits) {
    Set<String> typed = Set.of();
    for (int time = 0; ; time++) {
      ByteArrayOutputStream out = new ByteArrayOutputStream(1 << 16);
      List<String> notes = List.of();
      try {
        IfcModelWriter.Written w = writer.write(typed, out);
        notes = w.notes();
        byte[] bytes = out.toByteArray();
        Envelope back = IfcReader.read(bytes, limits, AS_WRITTEN, Tolerance.standard());
        IfcReadBack.Result r = IfcReadBack.between(now, back, w.globalIds(), Handover.EXACT);
        if (time > 0 || r.typed().isEmpty()) {
          return new Handover(
              format, bytes, notes, List.of(), r.differences(), Handover.counts(back), back);
        }
        typed = r.typed();
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      } catch (UnreadableException e) {
        return Handover.unreadable(format, out.toByteArray(), notes, e);
      }
    }
  }

  private static Handover made(
      HandoverFormat format, CheckContext now, ReadLimits limits, String why) {
    Handover h = Handover.of(format, now, limits);
    List<String> notes = new ArrayList<>();
    notes.add(why);
    notes.addAll(h.notes());
    return new Handover(
        format, h.bytes(), notes, h.faults(), h.differences(), h.counts(), h.readBack());
  }
}
