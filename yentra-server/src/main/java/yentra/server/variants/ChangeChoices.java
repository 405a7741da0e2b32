package yentra.server.variants;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Layer;
import yentra.core.envelope.Material;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.estimate.setting.Systems;
import yentra.core.repair.construction.ConstructionSpec;
import yentra.core.variant.VariantFigures;
import yentra.core.variant.change.Change;
import yentra.core.variant.change.ChangeQuantity;
import yentra.core.variant.change.ConstructionOfType;
import yentra.core.variant.change.Facing;
import yentra.core.variant.change.GlazingShare;
import yentra.core.variant.change.HeatRecovery;
import yentra.core.variant.change.LayerThickness;
import yentra.core.variant.change.Leakage;
import yentra.core.variant.change.LightAndEquipment;
import yentra.core.variant.change.SetPoints;
import yentra.core.variant.change.StatedUValue;
import yentra.core.variant.change.StoreyHeight;
import yentra.core.variant.change.SystemsOf;
import yentra.core.variant.change.Turned;
import yentra.core.variant.change.WindowShades;
import yentra.core.variant.change.WindowType;
import yentra.server.deliveries.DeliveryStates;
import yentra.server.estimate.WeatherFiles;

/** What changes of a delivery can be made of: what is there, and as how it is there now. */
@Service
class ChangeChoices {
  private final DeliveryStates states;
  private final WeatherFiles weather;

  ChangeChoices(DeliveryStates states, WeatherFiles weather) {
    this.states = states;
    this.weather = weather;
  }

  /**
   * Outdoor walls that face a direction.
   *
   * @param share glazed, now
   */
  record SideChoice(Facing facing, String label, double gross, double share) {}

  /** A layer's material that has a conductivity; thickness in m. */
  record MaterialChoice(String name, Double thickness) {}

  /**
   * A construction by its name.
   *
   * @param uValue that counts for its first surface, W/(m²K); null where it is not known
   */
  record ConstructionChoice(String name, Double uValue, List<MaterialChoice> materials) {}

  /** A type of surface, and how many there are. */
  record SurfaceTypeChoice(SurfaceType type, String label, int count) {}

  /** A storey of a drawn building. */
  record StoreyChoice(String name, double height) {}

  /** A weather file. */
  record ClimateChoice(String id, String label) {}

  /** What energy is bought as. */
  record CarrierChoice(Systems.Carrier carrier, String label) {}

  /**
   * A number of a kind of change.
   *
   * @param quantity name of its kind, by which it is converted; empty for what has one unit
   */
  record NumberChoice(
      String kind,
      String member,
      String label,
      String quantity,
      String unit,
      double least,
      double most) {}

  /**
   * All of them.
   *
   * @param lighting mean of used spaces that say it, W/m²; null where none does
   */
  record ChoicesView(
      List<SideChoice> sides,
      List<ConstructionChoice> constructions,
      List<SurfaceTypeChoice> types,
      List<StoreyChoice> storeys,
      List<ClimateChoice> weather,
      List<CarrierChoice> carriers,
      List<NumberChoice> numbers,
      Double lighting,
      Double equipment) {}

  ChoicesView of(UUID delivery) {
    DeliveryStates.State s = states.state(delivery);
    Envelope e = s.envelope();
    return new ChoicesView(
        sides(s),
        constructions(s),
        types(e),
        storeys(delivery),
        weather.all().stream().map(w -> new ClimateChoice(w.id().toString(), w.label())).toList(),
        Arrays.stream(Systems.Carrier.values()).map(c -> new CarrierChoice(c, c.label())).toList(),
        NUMBERS,
        mean(e, x -> x.gains().lighting()),
        mean(e, x -> x.gains().equipment()));
  }

  /** Of each kind that has numbers, as the kinds themselves tell them. */
  private static final List<NumberChoice> NUMBERS =
      Stream.of(
              new GlazingShare(Set.of(), 0, 0),
              new WindowType(Set.of(), "", 1, 1, null, ""),
              new WindowShades(Set.of(), 0, 0),
              new ConstructionOfType(
                  SurfaceType.ROOF, new ConstructionSpec(null, "", List.of(), 1.0, "")),
              new LayerThickness("", "", 0),
              new StatedUValue("", 1),
              new Leakage(0),
              new SetPoints(null, null),
              new LightAndEquipment(null, null),
              new HeatRecovery(0),
              new SystemsOf(null, null, null, null, null, null),
              new Turned(0),
              new StoreyHeight("", 1))
          .flatMap(c -> c.quantities().stream().map(q -> number(c, q)))
          .toList();

  private static NumberChoice number(Change c, ChangeQuantity q) {
    return new NumberChoice(
        c.getClass().getSimpleName(),
        q.member(),
        q.label(),
        q.quantity() == null ? "" : q.quantity().name(),
        q.shownUnit(),
        q.least(),
        q.most());
  }

  private static Double mean(Envelope e, java.util.function.Function<Space, Double> of) {
    double[] said =
        e.spaces().stream().map(of).filter(v -> v != null).mapToDouble(v -> v).toArray();
    return said.length == 0 ? null : Arrays.stream(said).average().orElseThrow();
  }

  private static List<SideChoice> sides(DeliveryStates.State s) {
    return VariantFigures.sides(s.context()).stream()
        .map(x -> new SideChoice(x.facing(), x.facing().label(), x.gross(), x.share()))
        .toList();
  }

  private static List<ConstructionChoice> constructions(DeliveryStates.State s) {
    Envelope e = s.envelope();
    Map<String, Layer> layers = new LinkedHashMap<>();
    e.layers().forEach(l -> layers.put(l.key(), l));
    Set<String> used = new LinkedHashSet<>();
    e.surfaces().forEach(x -> used.add(String.valueOf(x.construction())));
    List<ConstructionChoice> out = new ArrayList<>();
    for (Construction c : e.constructions()) {
      if (!used.contains(c.key())) {
        continue;
      }
      Map<String, Double> materials = new LinkedHashMap<>();
      for (String key : c.layers()) {
        Layer l = layers.get(key);
        for (String m : l == null ? List.<String>of() : l.materials()) {
          Material x = e.material(m).orElse(null);
          if (x != null && x.conductivity() != null) {
            materials.putIfAbsent(x.label(), x.thickness());
          }
        }
      }
      List<Surface> users = s.context().thermal().users(c);
      Double u =
          users.isEmpty()
              ? null
              : s.context().thermal().uValue(users.get(0)).stream()
                  .boxed()
                  .findFirst()
                  .orElse(null);
      List<MaterialChoice> list = new ArrayList<>();
      materials.forEach((name, thickness) -> list.add(new MaterialChoice(name, thickness)));
      out.add(new ConstructionChoice(c.label(), u, list));
    }
    return out;
  }

  private static List<SurfaceTypeChoice> types(Envelope e) {
    List<SurfaceTypeChoice> out = new ArrayList<>();
    for (SurfaceType t : SurfaceType.values()) {
      int n = (int) e.surfaces().stream().filter(x -> x.type() == t).count();
      if (n > 0 && !t.isShading()) {
        out.add(new SurfaceTypeChoice(t, t.label(), n));
      }
    }
    return out;
  }

  private List<StoreyChoice> storeys(UUID delivery) {
    yentra.core.plan.PlanDocument plan = states.plan(delivery);
    return plan == null
        ? List.of()
        : plan.storeys().stream().map(x -> new StoreyChoice(x.name(), x.height())).toList();
  }
}
