package yentra.core.repair.construction;

import java.util.ArrayList;
import java.util.List;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Material;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Rules;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;

/**
 * Sets values of a material; what is null stays as it is.
 *
 * @param thickness m
 * @param conductivity W/(mK)
 * @param density kg/m³
 * @param specificHeat J/(kgK)
 * @param resistance m²K/W
 * @param from where the values come from, or null
 */
public record AmendMaterial(
    String material,
    Double thickness,
    Double conductivity,
    Double density,
    Double specificHeat,
    Double resistance,
    String from)
    implements Repair {
  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    ThermalParts parts = new ThermalParts(e);
    Material m =
        parts
            .material(material)
            .orElseThrow(
                () ->
                    new NotApplicableException(
                        "The material " + material + " is no longer there."));
    Material made =
        new Material(
            m.key(),
            m.name(),
            thickness == null ? m.thickness() : thickness,
            conductivity == null ? m.conductivity() : conductivity,
            density == null ? m.density() : density,
            specificHeat == null ? m.specificHeat() : specificHeat,
            resistance == null ? m.resistance() : resistance,
            m.source(),
            m.extras());
    if (made.equals(m)) {
      throw new NotApplicableException("The material has these values already.");
    }
    ThermalValues.ofMaterial(thickness, conductivity, density, specificHeat, resistance);
    parts.materials().replaceAll(x -> x.key().equals(material) ? made : x);
    return parts.envelope();
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new AmendMaterial(
        keys.of(material), thickness, conductivity, density, specificHeat, resistance, from);
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    List<String> set = new ArrayList<>();
    said(set, "thickness", thickness, "m");
    said(set, "conductivity", conductivity, "W/mK");
    said(set, "density", density, "kg/m³");
    said(set, "specific heat", specificHeat, "J/kgK");
    said(set, "resistance", resistance, "m²K/W");
    String name = before.material(material).map(Material::label).orElse("material " + material);
    return "Sets of "
        + name
        + ": "
        + String.join(", ", set)
        + (from == null || from.isBlank() ? "." : " (" + from + ").");
  }

  private static void said(List<String> out, String what, Double v, String unit) {
    if (v != null) {
      out.add(
          what
              + " "
              + java.math.BigDecimal.valueOf(v).stripTrailingZeros().toPlainString()
              + " "
              + unit);
    }
  }
}
