package yentra.core.intake;

import java.io.BufferedInputStream;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.Rules;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.envelope.UnreadableException;
import yentra.core.gbxml.GbxmlReader;
import yentra.core.geometry.Tolerance;
import yentra.core.ifc.IfcModel;
import yentra.core.model.ArchitecturalModel;
import yentra.core.plan.PlanDocument;
import yentra.core.plan.PlanEnvelope;
import yentra.core.plan.PlanReader;

/** Reads a delivered file of any format. */
public final class DeliveryReader {
  private final ReadLimits limits;
  private final Tolerance tolerance;

  public DeliveryReader(ReadLimits limits, Tolerance tolerance) {
    this.limits = limits;
    this.tolerance = tolerance;
  }

  /**
   * What a file holds.
   *
   * @param model the architectural model; with elements for IFC only
   * @param envelope of gbXML, and of a plan document by the standard rules; null for IFC, whose
   *     envelope is made of its model
   * @param plan what was drawn; null for other formats
   */
  public record Parsed(
      DeliveryFormat format, ArchitecturalModel model, Envelope envelope, PlanDocument plan) {}

  /** Opens the delivered bytes from their start. */
  public interface Source {
    InputStream open() throws IOException;

    long length() throws IOException;

    /** Bytes that are in memory. */
    static Source of(byte[] bytes) {
      return new Source() {
        @Override
        public InputStream open() {
          return new ByteArrayInputStream(bytes);
        }

        @Override
        public long length() {
          return bytes.length;
        }
      };
    }
  }

  /** Told how far reading has come; may throw to give up. */
  public interface Progress {
    Progress NONE = (done, all) -> {};

    void at(long bytesDone, long bytesAll);
  }

  /**
   * Judges a file by its first bytes, without reading the rest.
   *
   * @throws UnreadableException when it is none of the formats, or too large
   */
  public DeliveryFormat recognise(Source source) throws UnreadableException, IOException {
    try (InputStream in = source.open()) {
      return DeliveryFormat.of(in.readNBytes(limits.blanks()), source.length(), limits);
    }
  }

  /**
   * Reads the file.
   *
   * @throws UnreadableException when it cannot be read, with the place and what to do
   * @throws IOException when the source fails
   */
  public Parsed read(Source source, Progress progress) throws UnreadableException, IOException {
    long length = source.length();
    DeliveryFormat format = recognise(source);
    try (InputStream in =
        new BufferedInputStream(new Counting(source.open(), length, progress), 1 << 16)) {
      if (format == DeliveryFormat.GBXML) {
        return new Parsed(format, ArchitecturalModel.none(), GbxmlReader.read(in, limits), null);
      }
      if (format == DeliveryFormat.PLAN) {
        PlanDocument plan = PlanReader.read(in.readNBytes(PlanReader.MOST_BYTES + 1));
        Rules rules = new Rules(tolerance, SurfaceTypes.STANDARD);
        return new Parsed(format, ArchitecturalModel.none(), PlanEnvelope.of(plan, rules), plan);
      }
      byte[] bytes = whole(in, length);
      IfcModel model =
          IfcModel.of(
              format == DeliveryFormat.IFCZIP ? IfcArchive.unpack(bytes, limits) : bytes,
              limits,
              tolerance);
      return new Parsed(DeliveryFormat.IFC, model, null, null);
    } catch (UncheckedIOException e) {
      throw e.getCause();
    }
  }

  /** All bytes in one array of the right size, so that they are held once. */
  private static byte[] whole(InputStream in, long length) throws IOException {
    byte[] bytes = new byte[(int) length];
    int n = in.readNBytes(bytes, 0, bytes.length);
    return n == bytes.length ? bytes : java.util.Arrays.copyOf(bytes, n);
  }

  private static final class Counting extends java.io.FilterInputStream {
    private final long length;
    private final Progress progress;
    private long done;
    private long told;

    Counting(InputStream in, long length, Progress progress) {
      super(in);
      this.length = length;
      this.progress = progress;
    }

    @Override
    public int read() throws IOException {
      int b = super.read();
      count(b < 0 ? 0 : 1);
      return b;
    }

    @Override
    public int read(byte[] b, int off, int len) throws IOException {
      int n = super.read(b, off, Math.min(len, 1 << 20));
      count(Math.max(0, n));
      return n;
    }

    private void count(int n) {
      done += n;
      if (done > told && (done - told >= 1 << 18 || done >= length)) {
        told = done;
        progress.at(done, length);
      }
    }
  }
}
