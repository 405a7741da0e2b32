package yentra.core.ifc;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Layer;
import yentra.core.envelope.Material;
import yentra.core.envelope.Surface;

/**
 * Elements of one material without layers are as thick as their bodies: their construction takes
 * the thickness found between the faces of its surfaces, one construction for each thickness.
 */
final class IfcThickness {
  private final Map<String, Layer> layers = new HashMap<>();
  private final Map<String, Material> materials = new HashMap<>();
  private final List<Construction> constructions = new ArrayList<>();
  private final List<Layer> newLayers = new ArrayList<>();
  private final List<Material> newMaterials = new ArrayList<>();

  /** The construction that surfaces of a construction and a thickness in mm get. */
  private final Map<String, Map<Long, String>> given = new HashMap<>();

  private int count;

  /**
   * What came of it.
   *
   * @param count of the constructions that got a thickness
   */
  record Thickened(Envelope envelope, int count) {}

  static Thickened of(Envelope e) {
    IfcThickness t = new IfcThickness();
    e.layers().forEach(l -> t.layers.put(l.key(), l));
    e.materials().forEach(m -> t.materials.put(m.key(), m));
    t.newLayers.addAll(e.layers());
    t.newMaterials.addAll(e.materials());
    Map<String, Map<Long, Double>> areas = new HashMap<>();
    for (Surface s : e.surfaces()) {
      if (s.construction() != null && s.thickness() != null && s.thickness() > 0) {
        areas
            .computeIfAbsent(s.construction(), k -> new TreeMap<>())
            .merge(Math.round(s.thickness() * 1000), s.netArea(), Double::sum);
      }
    }
    for (Construction c : e.constructions()) {
      Map<Long, Double> found = areas.get(c.key());
      if (found == null || !t.isSolid(c)) {
        t.constructions.add(c);
      } else {
        t.split(c, found);
      }
    }
    if (t.count == 0) {
      return new Thickened(e, 0);
    }
    List<Surface> surfaces = e.surfaces().stream().map(t::with).toList();
    return new Thickened(
        e.withConstructions(t.constructions, t.newLayers, t.newMaterials).withSurfaces(surfaces),
        t.count);
  }

  /** Of one material that has no thickness. */
  private boolean isSolid(Construction c) {
    if (c.layers().size() != 1 || !layers.containsKey(c.layers().get(0))) {
      return false;
    }
    List<String> of = layers.get(c.layers().get(0)).materials();
    Material m = of.size() == 1 ? materials.get(of.get(0)) : null;
    return m != null && m.thickness() == null && m.resistance() == null;
  }

  private void split(Construction c, Map<Long, Double> found) {
    Layer l = layers.get(c.layers().get(0));
    Material m = materials.get(l.materials().get(0));
    Map<Long, String> keys = new TreeMap<>();
    long most = 0;
    for (Map.Entry<Long, Double> f : found.entrySet()) {
      long mm = f.getKey();
      most = most == 0 || f.getValue() > found.get(most) ? mm : most;
      String end = "_" + mm + "mm";
      String name = String.format(Locale.ROOT, "%s, %d mm", c.label(), mm);
      newMaterials.add(
          new Material(
              m.key() + end,
              m.name(),
              mm / 1000.0,
              m.conductivity(),
              m.density(),
              m.specificHeat(),
              null,
              m.source(),
              m.extras()));
      newLayers.add(new Layer(l.key() + end, name, List.of(m.key() + end), l.source(), l.extras()));
      constructions.add(
          new Construction(
              c.key() + end, name, List.of(l.key() + end), c.uValue(), c.source(), c.extras()));
      keys.put(mm, c.key() + end);
      count++;
    }
    newLayers.remove(l);
    if (newLayers.stream().noneMatch(x -> x.materials().contains(m.key()))) {
      newMaterials.remove(m);
    }
    // of surfaces whose thickness is not known
    keys.put(0L, keys.get(most));
    given.put(c.key(), keys);
  }

  private Surface with(Surface s) {
    Map<Long, String> keys = given.get(s.construction());
    if (keys == null) {
      return s.withOpenings(
          s.openings().stream()
              .map(
                  o ->
                      given.containsKey(o.construction())
                          ? o.withConstruction(given.get(o.construction()).get(0L))
                          : o)
              .toList());
    }
    long mm = s.thickness() == null ? 0 : Math.round(s.thickness() * 1000);
    return s.withConstruction(keys.getOrDefault(mm, keys.get(0L)));
  }
}
