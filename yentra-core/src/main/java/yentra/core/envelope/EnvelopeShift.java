package yentra.core.envelope;

import java.util.List;
import java.util.function.UnaryOperator;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Transform;
import yentra.core.geometry.Vec3;

/** Envelopes as a whole elsewhere, or of another size. */
final class EnvelopeShift {
  private EnvelopeShift() {}

  /**
   * An envelope's parts with everything moved.
   *
   * @param t a turn about a vertical axis and a shift
   * @param northAzimuth of the y axis from now on
   */
  static Envelope.Parts moved(Envelope.Parts parts, Transform t, Double northAzimuth) {
    Site s = parts.site();
    Envelope.Parts e =
        mapped(parts, p -> p.transformed(t), l -> l + t.origin().z(), x -> x, u -> u.moved(t));
    return e.withSite(
        new Site(s.name(), s.latitude(), s.longitude(), s.elevation(), northAzimuth, s.extras()));
  }

  /** An envelope's parts with all lengths multiplied, and stated areas and volumes with them. */
  static Envelope.Parts scaled(Envelope.Parts parts, double factor) {
    UnaryOperator<Vec3> grow = v -> v.times(factor);
    return mapped(
        parts,
        p ->
            new Polygon(
                p.outer().stream().map(grow).toList(),
                p.holes().stream().map(h -> h.stream().map(grow).toList()).toList()),
        l -> l * factor,
        x ->
            x.withStated(
                x.statedFloorArea() == null ? null : x.statedFloorArea() * factor * factor,
                x.statedVolume() == null ? null : x.statedVolume() * factor * factor * factor),
        u -> u.scaled(factor));
  }

  private static Envelope.Parts mapped(
      Envelope.Parts parts,
      UnaryOperator<Polygon> change,
      UnaryOperator<Double> level,
      UnaryOperator<Space> stated,
      UnaryOperator<Uncovered> volumes) {
    UnaryOperator<Polygon> move = p -> p.outer().isEmpty() ? p : change.apply(p);
    UnaryOperator<Opening> opening = o -> o.withPolygon(move.apply(o.polygon()));
    return parts
        .with()
        .storeys(
            parts.storeys().stream()
                .map(x -> x.withLevel(x.level() == null ? null : level.apply(x.level())))
                .toList())
        .spaces(
            parts.spaces().stream()
                .map(x -> stated.apply(x.withShell(x.shell().stream().map(move).toList())))
                .toList())
        .surfaces(parts.surfaces().stream().map(x -> mapped(x, move, opening)).toList())
        .orphans(parts.orphans().stream().map(opening).toList())
        .uncovered(parts.uncovered().stream().map(volumes).toList())
        .build();
  }

  private static Surface mapped(
      Surface s, UnaryOperator<Polygon> move, UnaryOperator<Opening> opening) {
    List<Side> sides =
        s.sides().stream()
            .map(x -> x.withFace(x.face() == null ? null : move.apply(x.face())))
            .toList();
    return s.withPolygon(move.apply(s.polygon()), sides)
        .withOpenings(s.openings().stream().map(opening).toList());
  }
}
