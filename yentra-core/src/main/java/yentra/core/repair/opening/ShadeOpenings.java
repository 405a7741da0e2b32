package yentra.core.repair.opening;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import yentra.core.envelope.BoundaryKind;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.SunShades;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Reshape;
import yentra.core.repair.Target;

/**
 * Gives windows overhangs and fins. Those that an earlier such repair gave them go; with both
 * depths 0 there are none afterwards.
 *
 * @param openings keys of openings that let light through, in surfaces towards outdoor air
 * @param overhang depth over the upper edge, m; 0 for none
 * @param fin depth at both sides, m; 0 for none
 */
public record ShadeOpenings(List<String> openings, double overhang, double fin) implements Repair {
  private static final double DEEPEST = 50;

  public ShadeOpenings {
    openings = openings == null ? List.of() : List.copyOf(openings);
  }

  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    if (openings.isEmpty() || !within(overhang) || !within(fin)) {
      throw new NotApplicableException("Choose windows, and depths from 0 to 50 m.");
    }
    Set<String> gone = new HashSet<>();
    List<Surface> made = new ArrayList<>();
    for (String key : openings) {
      Opening o = Target.opening(e, key);
      Surface in = e.parentOf(key).orElse(null);
      if (!o.type().isGlazed() || in == null || in.exposure() != Exposure.OUTDOOR) {
        throw new NotApplicableException(
            "The "
                + new Naming(e, rules.types()).opening(o)
                + " is no window towards outdoor air.");
      }
      gone.addAll(List.of(key(o, "overhang"), key(o, "fin1"), key(o, "fin2")));
      SunShades shades = SunShades.of(o.polygon());
      if (shades == null) {
        continue;
      }
      if (overhang > 0) {
        made.add(shade(key(o, "overhang"), "Overhang", shades.overhang(overhang)));
      }
      if (fin > 0) {
        List<Polygon> fins = shades.fins(fin);
        made.add(shade(key(o, "fin1"), "Fin", fins.get(0)));
        made.add(shade(key(o, "fin2"), "Fin", fins.get(1)));
      }
    }
    List<Surface> all = new ArrayList<>(e.surfaces());
    all.removeIf(s -> s.type().isShading() && gone.contains(s.key()));
    made.removeIf(s -> s.polygon().area() < Reshape.LEAST);
    all.addAll(made);
    if (made.isEmpty() && all.size() == e.surfaces().size()) {
      throw new NotApplicableException("They have no overhangs or fins already.");
    }
    return e.withSurfaces(all);
  }

  private static boolean within(double depth) {
    return depth >= 0 && depth <= DEEPEST;
  }

  private static String key(Opening o, String what) {
    return "shade_" + o.key() + "_" + what;
  }

  private static Surface shade(String key, String name, Polygon p) {
    return Surface.of(key, SurfaceType.SHADE, p, BoundaryKind.DERIVED_2A).with().name(name).build();
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new ShadeOpenings(keys.of(openings), overhang, fin);
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    String what =
        openings.size() == 1
            ? before
                .opening(openings.get(0))
                .map(o -> "the " + naming.opening(o))
                .orElse("a window")
            : openings.size() + " windows";
    List<String> given = new ArrayList<>();
    if (overhang > 0) {
      given.add(String.format(Locale.ROOT, "overhangs of %.2f m", overhang));
    }
    if (fin > 0) {
      given.add(String.format(Locale.ROOT, "fins of %.2f m", fin));
    }
    return given.isEmpty()
        ? "Takes overhangs and fins of " + what + " away."
        : "Gives " + what + " " + String.join(" and ", given) + ".";
  }
}
