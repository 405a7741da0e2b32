package yentra.core.revision;

import java.nio.charset.StandardCharsets;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.TreeSet;
import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Side;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.finding.Finding;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;

/**
 * What a finding's objects are like, in short: as long as it stays the same, what a person decided
 * about the finding holds. Coordinates count to a millimetre.
 */
public final class Fingerprint {
  private Fingerprint() {}

  /** Sixteen hexadecimal digits. */
  public static String of(CheckContext context, Finding f) {
    StringBuilder b = new StringBuilder(f.code()).append('|').append(f.subject());
    Envelope e = context.envelope();
    for (String key : new TreeSet<>(f.objects())) {
      b.append('\n').append(key);
      e.space(key).ifPresent(s -> space(context, s, b));
      e.surface(key).ifPresent(s -> surface(e, s, b));
      e.opening(key).ifPresent(o -> opening(e, o, b));
      e.construction(key).ifPresent(c -> b.append(c.layers()).append(c.uValue()));
    }
    if (f.objects().isEmpty()) {
      b.append('\n').append(f.message());
    }
    return hash(b);
  }

  private static void space(CheckContext context, Space s, StringBuilder b) {
    b.append(s.name()).append('|').append(s.storey()).append('|').append(s.use());
    b.append('|').append(s.statedFloorArea()).append('|').append(s.statedVolume());
    // surfaces without their keys, which many programs number anew with every export
    TreeSet<String> faces = new TreeSet<>();
    for (Surface x : context.volumes().surfacesOf(s.key())) {
      StringBuilder face = new StringBuilder().append(x.type());
      polygon(x.polygon(), context.envelope(), face);
      faces.add(face.toString());
    }
    b.append(faces);
    s.shell().forEach(p -> polygon(p, context.envelope(), b));
  }

  private static void surface(Envelope e, Surface s, StringBuilder b) {
    b.append(s.type()).append('|').append(s.construction()).append('|');
    b.append(s.sides().stream().map(Side::space).toList());
    polygon(s.polygon(), e, b);
    b.append(s.openings().size());
  }

  private static void opening(Envelope e, Opening o, StringBuilder b) {
    b.append(o.type()).append('|').append(o.construction()).append('|').append(o.glazing());
    polygon(o.polygon(), e, b);
  }

  private static void polygon(Polygon p, Envelope e, StringBuilder b) {
    Vec3 o = e.delivered().origin();
    for (List<Vec3> ring : p.rings()) {
      for (Vec3 v : ring) {
        b.append(
            String.format(
                Locale.ROOT, ";%.3f,%.3f,%.3f", v.x() + o.x(), v.y() + o.y(), v.z() + o.z()));
      }
    }
  }

  /** FNV-1a, 64 bits: equality is asked, not secrecy. */
  private static String hash(StringBuilder b) {
    long h = 0xcbf29ce484222325L;
    for (byte x : b.toString().getBytes(StandardCharsets.UTF_8)) {
      h = (h ^ (x & 0xff)) * 0x100000001b3L;
    }
    return HexFormat.of().toHexDigits(h);
  }
}
