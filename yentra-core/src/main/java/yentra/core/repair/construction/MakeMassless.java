package yentra.core.repair.construction;

import java.util.List;
import java.util.OptionalDouble;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Extras;
import yentra.core.envelope.Layer;
import yentra.core.envelope.Material;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Rules;
import yentra.core.envelope.SourceRef;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Target;
import yentra.core.thermal.BuildUp;

/** Puts one layer without mass, of the same resistance, in the place of all layers. */
public record MakeMassless(String construction) implements Repair {
  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    Construction c = Target.construction(e, construction);
    OptionalDouble r = BuildUp.all(e).get(construction).resistance();
    if (r.isEmpty() || r.getAsDouble() <= 0) {
      throw new NotApplicableException(
          "The resistance of " + c.label() + " is not known: a layer has no values.");
    }
    ThermalParts parts = new ThermalParts(e);
    String material =
        parts.material(
            new Material(
                "",
                c.label() + ", without mass",
                null,
                null,
                null,
                null,
                r.getAsDouble(),
                SourceRef.REPAIR,
                Extras.NONE));
    String layer = parts.layer(new Layer("", "", List.of(material), SourceRef.REPAIR, Extras.NONE));
    if (c.layers().equals(List.of(layer))) {
      throw new NotApplicableException("It is one layer without mass already.");
    }
    // under another key first, so that what only it used goes
    String made =
        parts.construction(
            new Construction(
                "", c.name(), List.of(layer), c.uValue(), SourceRef.REPAIR, Extras.NONE));
    return new ReplaceConstruction(construction, ConstructionSpec.existing(made))
        .apply(parts.envelope(), rules);
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new MakeMassless(keys.of(construction));
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    return "Replaces the layers of "
        + before.construction(construction).map(Construction::label).orElse(construction)
        + " by one without mass, of the same resistance.";
  }
}
