package yentra.core.repair.construction;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Layer;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Rules;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Target;

/** Lists the layers of a construction the other way round. */
public record ReverseLayers(String construction) implements Repair {
  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    Construction c = Target.construction(e, construction);
    ThermalParts parts = new ThermalParts(e);
    List<String> layers = new ArrayList<>();
    for (String key : c.layers()) {
      Layer l =
          parts
              .layer(key)
              .orElseThrow(() -> new NotApplicableException("The layer " + key + " is not there."));
      if (!l.shares().isEmpty() || l.materials().size() < 2) {
        layers.add(key);
        continue;
      }
      List<String> turned = new ArrayList<>(l.materials());
      Collections.reverse(turned);
      layers.add(parts.layer(new Layer("", l.name(), turned, l.source(), l.extras())));
    }
    Collections.reverse(layers);
    if (layers.equals(c.layers())) {
      throw new NotApplicableException("The layers are the same both ways.");
    }
    parts
        .constructions()
        .replaceAll(
            x ->
                x.key().equals(construction)
                    ? new Construction(
                        x.key(), x.name(), layers, x.uValue(), x.source(), x.extras())
                    : x);
    List<String> used = parts.constructions().stream().flatMap(x -> x.layers().stream()).toList();
    parts.layers().removeIf(l -> c.layers().contains(l.key()) && !used.contains(l.key()));
    return parts.envelope();
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new ReverseLayers(keys.of(construction));
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    return "Lists the layers of "
        + before.construction(construction).map(Construction::label).orElse(construction)
        + " the other way round.";
  }
}
