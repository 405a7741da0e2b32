package yentra.core.plan;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import yentra.core.envelope.BoundaryKind;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Site;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.StableKeys;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.SunShades;
import yentra.core.geometry.Vec3;
import yentra.core.plan.PlanDocument.Block;
import yentra.core.plan.PlanDocument.Origin;
import yentra.core.plan.PlanDocument.ShadingRule;

/** Shading surfaces: overhangs and fins at windows, and blocks that stand near. */
final class ShadeRules {
  /** Smaller surfaces cast no shade to speak of, m². */
  private static final double LEAST = 0.05;

  private final StableKeys keys = new StableKeys();
  private final List<Surface> out = new ArrayList<>();

  private ShadeRules() {}

  static List<Surface> of(
      PlanDocument document, List<Surface> surfaces, Map<String, Volume> volumes, Site site) {
    ShadeRules r = new ShadeRules();
    for (ShadingRule rule : document.shading()) {
      for (Surface s : surfaces) {
        boolean roof = s.type() == SurfaceType.ROOF;
        if (s.openings().isEmpty() || !roof && s.type() != SurfaceType.EXTERIOR_WALL) {
          continue;
        }
        Volume v = volumes.get(s.sides().get(0).space());
        double azimuth = site.fromTrueNorth(s.polygon().azimuth());
        if (rule.where().roofs() == roof
            && rule.where().fits(v.storey().name(), v.space().name(), azimuth)) {
          s.openings().stream().filter(o -> o.type().isGlazed()).forEach(o -> r.window(rule, o));
        }
      }
    }
    document.blocks().forEach(r::block);
    return r.out;
  }

  private void window(ShadingRule rule, Opening o) {
    SunShades shades = SunShades.of(o.polygon());
    if (shades == null) {
      return;
    }
    if (rule.overhang() > 0) {
      add(rule.origin(), "Overhang", o.key(), shades.overhang(rule.overhang()));
    }
    if (rule.fin() > 0) {
      shades.fins(rule.fin()).forEach(f -> add(rule.origin(), "Fin", o.key(), f));
    }
  }

  private static Vec3 level(Vec3 p, double z) {
    return new Vec3(p.x(), p.y(), z);
  }

  private void block(Block b) {
    List<Vec3> roof =
        new ArrayList<>(b.corners().stream().map(p -> p.at(b.level() + b.height())).toList());
    if (Polygon.areaVector(roof).z() < 0) {
      Collections.reverse(roof);
    }
    String name = b.name().isEmpty() ? "Neighbour" : b.name();
    add(b.origin(), name, "roof", Polygon.of(roof));
    for (int i = 0; i < roof.size(); i++) {
      Vec3 p = roof.get(i);
      Vec3 q = roof.get((i + 1) % roof.size());
      add(b.origin(), name, "wall", Polygon.of(level(p, b.level()), level(q, b.level()), q, p));
    }
  }

  private void add(Origin origin, String what, String at, Polygon p) {
    if (p.area() < LEAST) {
      return;
    }
    SourceRef source =
        new SourceRef("Shading", origin.label(), what, origin.line(), origin.column());
    out.add(
        Surface.of(
                keys.of("shade-", origin.label(), what, at),
                SurfaceType.SHADE,
                p,
                BoundaryKind.DERIVED_2A)
            .with()
            .name(what)
            .source(source)
            .element(source)
            .build());
  }
}
