package yentra.core.exchange;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.function.BiConsumer;
import java.util.function.Function;
import yentra.core.envelope.Construction;
import yentra.core.envelope.DaySchedule;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Schedules;
import yentra.core.envelope.Side;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.envelope.WeekSchedule;
import yentra.core.envelope.YearSchedule;
import yentra.core.envelope.Zone;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Vec3;

/**
 * What differs between two envelopes, object by object, matched by key: used to check a written
 * file by reading it back.
 */
public final class EnvelopeDifference {
  private final List<String> differences = new ArrayList<>();
  private final Tolerance tolerance;

  /** From the second envelope's coordinates to the first's, where their origins differ. */
  private final Vec3 shift;

  private EnvelopeDifference(Tolerance tolerance, Vec3 shift) {
    this.tolerance = tolerance;
    this.shift = shift;
  }

  /**
   * Compares ids, types, neighbours, outlines, openings, constructions with their layers and
   * materials, and units.
   *
   * @return one sentence a difference; empty when the two say the same within the tolerance
   */
  public static List<String> between(Envelope a, Envelope b, Tolerance tolerance) {
    EnvelopeDifference d =
        new EnvelopeDifference(tolerance, b.delivered().origin().minus(a.delivered().origin()));
    d.lists("space", a.spaces(), b.spaces(), Space::key, d::spaces);
    d.lists("surface", a.surfaces(), b.surfaces(), Surface::key, d::surfaces);
    d.lists("opening without surface", a.orphans(), b.orphans(), Opening::key, d::openings);
    d.lists(
        "construction", a.constructions(), b.constructions(), Construction::key, d::constructions);
    d.lists(
        "layer",
        a.layers(),
        b.layers(),
        l -> l.key(),
        (x, y) -> {
          d.same("layer " + x.key(), "materials", x.materials(), y.materials());
          d.same("layer " + x.key(), "shares", x.shares(), y.shares());
        });
    d.lists(
        "material",
        a.materials(),
        b.materials(),
        m -> m.key(),
        (x, y) -> {
          String what = "material " + x.key();
          d.number(what, "thickness", x.thickness(), y.thickness());
          d.number(what, "conductivity", x.conductivity(), y.conductivity());
          d.number(what, "density", x.density(), y.density());
          d.number(what, "specific heat", x.specificHeat(), y.specificHeat());
          d.number(what, "resistance", x.resistance(), y.resistance());
        });
    d.lists(
        "window type",
        a.glazings(),
        b.glazings(),
        g -> g.key(),
        (x, y) -> {
          String what = "window type " + x.key();
          d.number(what, "U-value", x.uValue(), y.uValue());
          d.number(what, "solar heat gain", x.solarHeatGain(), y.solarHeatGain());
          d.number(what, "transmittance", x.visibleTransmittance(), y.visibleTransmittance());
        });
    d.lists(
        "storey",
        a.storeys(),
        b.storeys(),
        s -> s.key(),
        (x, y) -> d.number("storey " + x.key(), "level", x.level(), y.level()));
    d.lists("zone", a.zones(), b.zones(), z -> z.key(), d::zones);
    d.schedules(a.schedules(), b.schedules());
    d.number("site", "latitude", a.site().latitude(), b.site().latitude());
    d.number("site", "longitude", a.site().longitude(), b.site().longitude());
    d.number("site", "north", a.site().northAzimuth(), b.site().northAzimuth());
    return List.copyOf(d.differences);
  }

  private <T> void lists(
      String what, List<T> a, List<T> b, Function<T, String> key, BiConsumer<T, T> compare) {
    Map<String, T> second = new HashMap<>();
    b.forEach(t -> second.put(key.apply(t), t));
    Map<String, T> left = new LinkedHashMap<>();
    b.forEach(t -> left.put(key.apply(t), t));
    for (T t : a) {
      T other = second.get(key.apply(t));
      if (other == null) {
        differences.add("The " + what + " " + key.apply(t) + " is missing.");
      } else {
        left.remove(key.apply(t));
        compare.accept(t, other);
      }
    }
    left.keySet().forEach(k -> differences.add("The " + what + " " + k + " was not there before."));
  }

  private void zones(Zone a, Zone b) {
    String what = "zone " + a.key();
    number(what, "heating set-point", a.heatingSetPoint(), b.heatingSetPoint());
    number(what, "cooling set-point", a.coolingSetPoint(), b.coolingSetPoint());
    number(what, "outdoor air per person", a.air().perPerson(), b.air().perPerson());
    number(what, "outdoor air per area", a.air().perArea(), b.air().perArea());
    number(what, "outdoor air", a.air().total(), b.air().total());
    number(what, "least humidity", a.air().leastHumidity(), b.air().leastHumidity());
    number(what, "greatest humidity", a.air().mostHumidity(), b.air().mostHumidity());
    same(what, "schedules", a.schedules(), b.schedules());
  }

  private void schedules(Schedules a, Schedules b) {
    lists(
        "schedule",
        a.years(),
        b.years(),
        YearSchedule::key,
        (x, y) -> {
          same("schedule " + x.key(), "type", x.type(), y.type());
          same("schedule " + x.key(), "periods", x.periods(), y.periods());
        });
    lists(
        "week schedule",
        a.weeks(),
        b.weeks(),
        WeekSchedule::key,
        (x, y) -> same("week schedule " + x.key(), "days", x.days(), y.days()));
    lists("day schedule", a.days(), b.days(), DaySchedule::key, this::days);
  }

  private void days(DaySchedule a, DaySchedule b) {
    String what = "day schedule " + a.key();
    same(what, "number of values", a.values().size(), b.values().size());
    for (int i = 0; i < Math.min(a.values().size(), b.values().size()); i++) {
      number(what, "value " + (i + 1), a.values().get(i), b.values().get(i));
    }
  }

  private void spaces(Space a, Space b) {
    String what = "space " + a.key();
    same(what, "name", a.name(), b.name());
    same(what, "storey", a.storey(), b.storey());
    same(what, "zone", a.zone(), b.zone());
    same(what, "use", a.use(), b.use());
    same(what, "condition", a.condition(), b.condition());
    number(what, "people", a.gains().people(), b.gains().people());
    number(what, "area per person", a.gains().areaPerPerson(), b.gains().areaPerPerson());
    number(
        what,
        "sensible heat per person",
        a.gains().sensiblePerPerson(),
        b.gains().sensiblePerPerson());
    number(
        what, "latent heat per person", a.gains().latentPerPerson(), b.gains().latentPerPerson());
    number(what, "lighting", a.gains().lighting(), b.gains().lighting());
    number(what, "equipment", a.gains().equipment(), b.gains().equipment());
    same(what, "schedules", a.gains().schedules(), b.gains().schedules());
    same(what, "shell faces", a.shell().size(), b.shell().size());
    for (int i = 0; i < Math.min(a.shell().size(), b.shell().size()); i++) {
      outline(what, "shell face " + (i + 1), a.shell().get(i), b.shell().get(i));
    }
    number(what, "stated area", a.statedFloorArea(), b.statedFloorArea());
    number(what, "stated volume", a.statedVolume(), b.statedVolume());
  }

  private void surfaces(Surface a, Surface b) {
    String what = "surface " + a.key();
    same(what, "name", a.name(), b.name());
    same(what, "type", a.type(), b.type());
    same(what, "construction", a.construction(), b.construction());
    same(
        what,
        "adjacent spaces",
        a.sides().stream().map(Side::space).toList(),
        b.sides().stream().map(Side::space).toList());
    outline(what, "outline", a.polygon(), b.polygon());
    lists("opening of " + what, a.openings(), b.openings(), Opening::key, this::openings);
  }

  private void openings(Opening a, Opening b) {
    String what = "opening " + a.key();
    same(what, "type", a.type(), b.type());
    same(what, "construction", a.construction(), b.construction());
    same(what, "window type", a.glazing(), b.glazing());
    outline(what, "outline", a.polygon(), b.polygon());
  }

  private void constructions(Construction a, Construction b) {
    same("construction " + a.key(), "layers", a.layers(), b.layers());
    number("construction " + a.key(), "U-value", a.uValue(), b.uValue());
  }

  private void outline(String what, String field, Polygon a, Polygon b) {
    if (a.outer().size() != b.outer().size() || a.holes().size() != b.holes().size()) {
      differences.add("The " + field + " of " + what + " has another number of vertices or holes.");
      return;
    }
    double far = 0;
    for (int i = 0; i < a.outer().size(); i++) {
      far = Math.max(far, a.outer().get(i).distance(b.outer().get(i).plus(shift)));
    }
    if (far > tolerance.length()) {
      differences.add(
          String.format(Locale.ROOT, "The %s of %s differs by up to %.6f m.", field, what, far));
    }
  }

  private void same(String what, String field, Object a, Object b) {
    if (!Objects.equals(a, b)) {
      differences.add("The " + field + " of " + what + " was " + a + " and is " + b + ".");
    }
  }

  private void number(String what, String field, Double a, Double b) {
    boolean equal =
        a == null || b == null ? a == b : Math.abs(a - b) <= 1e-6 * Math.max(1, Math.abs(a));
    if (!equal) {
      differences.add("The " + field + " of " + what + " was " + a + " and is " + b + ".");
    }
  }
}
