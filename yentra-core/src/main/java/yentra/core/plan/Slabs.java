package yentra.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.index.strtree.STRtree;
import yentra.core.envelope.BoundaryKind;
import yentra.core.envelope.Rules;
import yentra.core.envelope.SourceRef;
import yentra.core.geometry.Straightening;

/**
 * The level and sloping surfaces of volumes: floors on ceilings of volumes below, what is left of
 * both, and roofs.
 */
final class Slabs {
  private final Rules rules;
  private final double width;
  private final Areas areas;
  private final double ground;
  private final List<Piece> pieces = new ArrayList<>();

  /** Level tops by height. */
  private final Map<Double, STRtree> tops = new LinkedHashMap<>();

  private final Map<Top, List<Geometry>> covered = new LinkedHashMap<>();

  private static final class Top {
    final Volume of;
    final Polygon plan;
    final double z;

    Top(Volume of, Polygon plan, double z) {
      this.of = of;
      this.plan = plan;
      this.z = z;
    }
  }

  private Slabs(Rules rules, double ground) {
    this.rules = rules;
    this.width = rules.tolerance().length();
    this.areas = new Areas(width);
    this.ground = ground;
  }

  /**
   * The surfaces.
   *
   * @param ground height of the ground, m
   */
  static List<Piece> of(List<Volume> volumes, Rules rules, double ground) {
    Slabs s = new Slabs(rules, ground);
    List<Top> all = new ArrayList<>();
    for (Volume v : volumes) {
      for (Volume.Cell c : v.cells()) {
        if (c.top().isLevel()) {
          Top t = new Top(v, c.plan(), c.top().c());
          all.add(t);
          s.tops.computeIfAbsent(t.z, k -> new STRtree()).insert(c.plan().getEnvelopeInternal(), t);
        }
      }
    }
    volumes.forEach(s::floor);
    all.forEach(s::top);
    volumes.forEach(s::roof);
    return s.pieces;
  }

  private void floor(Volume v) {
    Polygon plan = v.footprint();
    STRtree below = tops.get(v.bottom());
    List<Top> near = new ArrayList<>();
    if (below != null) {
      for (Object o : below.query(plan.getEnvelopeInternal())) {
        near.add((Top) o);
      }
    }
    near.sort(Comparator.comparingInt(t -> t.of.number()));
    double left = plan.getArea();
    Map<Volume, List<Geometry>> shared = new LinkedHashMap<>();
    for (Top t : near) {
      for (Polygon p : t.plan.equalsExact(plan) ? List.of(plan) : common(plan, t.plan)) {
        covered.computeIfAbsent(t, k -> new ArrayList<>()).add(p);
        shared.computeIfAbsent(t.of, k -> new ArrayList<>()).add(p);
        left -= p.getArea();
      }
    }
    shared.forEach(
        (under, parts) -> areas.joined(parts).forEach(p -> put(v, under, p, v.bottom(), false)));
    if (left > width * plan.getLength() / 2) {
      List<Geometry> taken = new ArrayList<>();
      shared.values().forEach(taken::addAll);
      areas.left(plan, taken).forEach(p -> put(v, null, p, v.bottom(), false));
    }
  }

  private List<Polygon> common(Polygon a, Polygon b) {
    Envelope e = a.getEnvelopeInternal().intersection(b.getEnvelopeInternal());
    return e.getWidth() <= width || e.getHeight() <= width ? List.of() : areas.common(a, b);
  }

  private void top(Top t) {
    List<Geometry> taken = covered.getOrDefault(t, List.of());
    double left = t.plan.getArea();
    for (Geometry g : taken) {
      left -= g.getArea();
    }
    if (left > width * t.plan.getLength() / 2) {
      areas.left(t.plan, taken).forEach(p -> put(t.of, null, p, t.z, true));
    }
  }

  private void put(Volume v, Volume other, Polygon plan, double z, boolean up) {
    yentra.core.geometry.Polygon face =
        Straightening.of(Slope.level(z).lift(plan, up), rules.tolerance());
    pieces.add(
        new Piece(
            v,
            other,
            other == null
                ? rules.types().exterior(face, ground)
                : rules.types().betweenSpaces(face.tilt()),
            BoundaryKind.DERIVED_2A,
            face,
            of(v.storey().origin(), up ? "Storey top" : "Storey floor", v.storey().name())));
  }

  private static SourceRef of(PlanDocument.Origin o, String what, String name) {
    return new SourceRef(what, o.label(), name, o.line(), o.column());
  }

  /** Cells under one plane are one surface again where they touch. */
  private void roof(Volume v) {
    List<Volume.Cell> left = new ArrayList<>();
    v.cells().stream().filter(c -> !c.top().isLevel()).forEach(left::add);
    while (!left.isEmpty()) {
      Volume.Cell first = left.remove(0);
      List<Geometry> parts = new ArrayList<>(List.of(first.plan()));
      for (var it = left.iterator(); it.hasNext(); ) {
        Volume.Cell c = it.next();
        if (c.top().equals(first.top(), 1e-9, width / 10)) {
          parts.add(c.plan());
          it.remove();
        }
      }
      for (Polygon p : areas.joined(parts)) {
        yentra.core.geometry.Polygon face =
            Straightening.of(first.top().lift(p, true), rules.tolerance());
        pieces.add(
            new Piece(
                v,
                null,
                rules.types().outdoor(face.tilt()),
                BoundaryKind.DERIVED_2A,
                face,
                of(first.roof(), "Roof", v.storey().name())));
      }
    }
  }
}
