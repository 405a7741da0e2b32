package yentra.core.repair.construction;

import java.util.ArrayList;
import java.util.List;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Extras;
import yentra.core.envelope.Layer;
import yentra.core.envelope.Material;
import yentra.core.envelope.SourceRef;
import yentra.core.library.Library;
import yentra.core.library.Library.LibraryConstruction;
import yentra.core.library.Library.LibraryLayer;
import yentra.core.library.Library.LibraryMaterial;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;

/**
 * A construction to be used: one that is there, by its key, or a new one with all its values, so
 * that it can be made again on another delivery.
 *
 * @param key of one that is there, or null for a new one
 * @param layers of a new one, from outside to inside
 * @param uValue stated, W/(m²K), or null
 * @param source where its values come from, or empty
 */
public record ConstructionSpec(
    String key, String name, List<LayerSpec> layers, Double uValue, String source) {
  /** The same in a revision that calls objects something else; a new one names none. */
  public ConstructionSpec renamed(KeyChange keys) {
    return key == null ? this : new ConstructionSpec(keys.of(key), name, layers, uValue, source);
  }

  /** One that is there. */
  public static ConstructionSpec existing(String key) {
    return new ConstructionSpec(key, null, List.of(), null, null);
  }

  public ConstructionSpec {
    key = key == null || key.isBlank() ? null : key;
    layers = layers == null ? List.of() : List.copyOf(layers);
  }

  /**
   * A material of a layer; values that are not known are null.
   *
   * @param thickness m
   * @param conductivity W/(mK)
   * @param density kg/m³
   * @param specificHeat J/(kgK)
   * @param resistance m²K/W, of what has no conductivity
   * @param share of its layer's area, or null where it takes all of it; materials with a share
   *     follow each other until their shares add up to 1
   */
  public record LayerSpec(
      String name,
      Double thickness,
      Double conductivity,
      Double density,
      Double specificHeat,
      Double resistance,
      Double share) {}

  /** One of a library. */
  public static ConstructionSpec of(Library library, LibraryConstruction c) {
    List<LayerSpec> layers = new ArrayList<>();
    for (LibraryLayer l : c.layers()) {
      LibraryMaterial m = library.material(l.material()).orElseThrow();
      layers.add(
          new LayerSpec(
              m.name(),
              l.thickness(),
              m.conductivity(),
              m.density(),
              m.specificHeat(),
              m.conductivity() == null ? m.resistance() : null,
              l.share()));
    }
    return new ConstructionSpec(null, c.name(), layers, c.uValue(), c.source());
  }

  /** What it is called. */
  String label(Envelope e) {
    return key == null
        ? name
        : e.construction(key).map(Construction::label).orElse("construction " + key);
  }

  /** An envelope that has it, and its key there. */
  record Placed(Envelope envelope, String key) {}

  /** One with the same name and values is used again. */
  Placed in(Envelope e) throws NotApplicableException {
    if (key != null) {
      if (e.construction(key).isEmpty()) {
        throw new NotApplicableException("There is no construction " + key + ".");
      }
      return new Placed(e, key);
    }
    if (name == null || name.isBlank() || layers.isEmpty() && uValue == null) {
      throw new NotApplicableException("A construction needs a name, and layers or a U-value.");
    }
    ThermalValues.ofConstruction(uValue);
    for (LayerSpec l : layers) {
      ThermalValues.ofMaterial(l.thickness, l.conductivity, l.resistance, l.share);
      ThermalValues.ofMass(l.density, l.specificHeat);
    }
    ThermalParts parts = new ThermalParts(e);
    List<String> layerKeys = new ArrayList<>();
    List<String> beside = new ArrayList<>();
    List<Double> shares = new ArrayList<>();
    double filled = 0;
    for (LayerSpec l : layers) {
      String material =
          parts.material(
              new Material(
                  "",
                  l.name == null ? "" : l.name,
                  l.thickness,
                  l.conductivity,
                  l.density,
                  l.specificHeat,
                  l.resistance,
                  SourceRef.REPAIR,
                  Extras.NONE));
      if (l.share == null || l.share >= 1) {
        layerKeys.add(
            parts.layer(new Layer("", "", List.of(material), SourceRef.REPAIR, Extras.NONE)));
        continue;
      }
      beside.add(material);
      shares.add(l.share);
      filled += l.share;
      if (filled > 1 - 1e-6) {
        layerKeys.add(
            parts.layer(new Layer("", "", beside, shares, SourceRef.REPAIR, Extras.NONE)));
        beside = new ArrayList<>();
        shares = new ArrayList<>();
        filled = 0;
      }
    }
    if (!beside.isEmpty()) {
      throw new NotApplicableException(
          "The shares of the materials side by side in " + name + " do not add up to 1.");
    }
    String made =
        parts.construction(
            new Construction("", name.strip(), layerKeys, uValue, SourceRef.REPAIR, Extras.NONE));
    return new Placed(parts.envelope(), made);
  }
}
