package yentra.core.repair.construction;

import java.util.Locale;
import java.util.Objects;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Rules;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Target;

/**
 * States the U-value of a construction, or takes the statement away so that its layers count.
 *
 * @param uValue W/(m²K), or null
 */
public record StateUValue(String construction, Double uValue) implements Repair {
  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    Construction c = Target.construction(e, construction);
    if (Objects.equals(c.uValue(), uValue)) {
      throw new NotApplicableException("The construction states this already.");
    }
    if (uValue == null && c.layers().isEmpty()) {
      throw new NotApplicableException(c.label() + " has no layers: its U-value must be stated.");
    }
    ThermalValues.ofConstruction(uValue);
    ThermalParts parts = new ThermalParts(e);
    parts
        .constructions()
        .replaceAll(
            x ->
                x.key().equals(construction)
                    ? new Construction(
                        x.key(), x.name(), x.layers(), uValue, x.source(), x.extras())
                    : x);
    return parts.envelope();
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new StateUValue(keys.of(construction), uValue);
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    String name = before.construction(construction).map(Construction::label).orElse(construction);
    return uValue == null
        ? "Takes the stated U-value of " + name + " away: its layers count."
        : String.format(Locale.ROOT, "States the U-value of %s as %.3f W/m²K.", name, uValue);
  }
}
