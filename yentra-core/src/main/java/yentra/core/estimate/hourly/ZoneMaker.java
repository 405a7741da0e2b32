package yentra.core.estimate.hourly;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import yentra.core.envelope.Conditions;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.InternalGains;
import yentra.core.envelope.ScheduleProfile;
import yentra.core.envelope.Space;
import yentra.core.estimate.setting.EstimateSettings;
import yentra.core.estimate.setting.SpaceSettings;
import yentra.core.library.Library;
import yentra.core.library.SpaceUse;

/** Makes zones of spaces: what is laid down in the settings, else what the model says. */
final class ZoneMaker {
  /** Air through leaks of conditioned spaces that state none, 1/h (common practice, no source). */
  private static final double LEAKS = 0.2;

  private static final double HEATED_TO = 20;
  private static final double COOLED_TO = 26;

  /** W of a person whose heat is not stated (seated, very light work; ASHRAE; from memory). */
  private static final double PERSON = 75;

  private static final double M3_H_OF_L_S = 3.6;

  private final Envelope envelope;
  private final EstimateSettings settings;
  private final Library library = Library.shipped();
  private final Function<Integer, LocalDate> dates;
  private final int hours;
  private final Assumed assumed;
  private final ToDoubleFunction<Space> floorArea;
  private final ToDoubleFunction<Space> volume;
  private final Map<String, Optional<double[]>> courses = new HashMap<>();
  private final Map<String, double[]> ofZone = new HashMap<>();

  /**
   * @param dates of hours of the year
   */
  ZoneMaker(
      Envelope envelope,
      EstimateSettings settings,
      ToDoubleFunction<Space> floorArea,
      ToDoubleFunction<Space> volume,
      Function<Integer, LocalDate> dates,
      int hours,
      Assumed assumed) {
    this.envelope = envelope;
    this.settings = settings;
    this.floorArea = floorArea;
    this.volume = volume;
    this.dates = dates;
    this.hours = hours;
    this.assumed = assumed;
    for (Space s : envelope.spaces()) {
      double[] sums = ofZone.computeIfAbsent(String.valueOf(s.zone()), k -> new double[2]);
      sums[0] += Math.max(0, floorArea.applyAsDouble(s));
      sums[1] += Math.max(0, volume.applyAsDouble(s));
    }
  }

  Zone of(Space s) {
    SpaceSettings own = settings.of(s.key());
    Conditions c = Conditions.of(s.condition());
    boolean unknown = c == Conditions.UNKNOWN;
    if (unknown && own.conditioned() == null) {
      assumed.add(
          "Spaces that do not say whether they are conditioned count as heated and cooled (%d).");
    }
    boolean heated = own.conditioned() != null ? own.conditioned() : unknown || c.heated();
    boolean cooled = own.conditioned() != null ? own.conditioned() : unknown || c.cooled();
    double area = Math.max(0, floorArea.applyAsDouble(s));
    double v = Math.max(0, volume.applyAsDouble(s));
    yentra.core.envelope.Zone zone = envelope.zone(s.zone()).orElse(null);
    Course heating = heated ? heating(s, own, zone) : Course.of(Double.NaN);
    Course cooling = cooled ? cooling(s, own, zone) : Course.of(Double.NaN);
    InternalGains g = s.gains();
    boolean said = own.gains() != null;
    if (!said && g.withSchedules(null).equals(InternalGains.NONE)) {
      assumed.add("Spaces that state no people, light or equipment count as having none (%d).");
    }
    Course people =
        said
            ? Course.NONE
            : course(
                g.people(area) * (g.sensiblePerPerson() == null ? PERSON : g.sensiblePerPerson()),
                g.schedules().people());
    return new Zone(
        s.key(),
        s.label(),
        area,
        v,
        heated,
        cooled,
        heating,
        cooling,
        limit(own.heatingLimit(), area),
        limit(own.coolingLimit(), area),
        infiltration(s, own, v, heated || cooled),
        own.airChange() == null ? supply(s, zone, area, v, heated || cooled) : Course.NONE,
        settings.heatRecovery(),
        people,
        said ? Course.NONE : course(zero(g.lighting()) * area, g.schedules().lighting()),
        said
            ? Course.of(own.gains() * area)
            : course(zero(g.equipment()) * area, g.schedules().equipment()));
  }

  private static double limit(Double density, double area) {
    return density == null ? Double.POSITIVE_INFINITY : density * area;
  }

  private static double zero(Double v) {
    return v == null ? 0 : v;
  }

  private Course heating(Space s, SpaceSettings own, yentra.core.envelope.Zone z) {
    if (own.heating() != null) {
      return Course.of(own.heating());
    }
    Optional<double[]> course = z == null ? Optional.empty() : year(z.schedules().heating());
    Double typical = use(s).map(SpaceUse::heating).orElse(null);
    return setPoint(course, z == null ? null : z.heatingSetPoint(), typical, HEATED_TO, "heating");
  }

  private Course cooling(Space s, SpaceSettings own, yentra.core.envelope.Zone z) {
    if (own.cooling() != null) {
      return Course.of(own.cooling());
    }
    Optional<double[]> course = z == null ? Optional.empty() : year(z.schedules().cooling());
    Double typical = use(s).map(SpaceUse::cooling).orElse(null);
    return setPoint(course, z == null ? null : z.coolingSetPoint(), typical, COOLED_TO, "cooling");
  }

  private Optional<SpaceUse> use(Space s) {
    return s.use().isEmpty() ? Optional.empty() : library.use(s.use());
  }

  private Course setPoint(
      Optional<double[]> course, Double stated, Double typical, double usual, String what) {
    if (course.isPresent()) {
      return new Course(1, course.get());
    }
    if (stated != null) {
      return Course.of(stated);
    }
    assumed.add(
        typical != null
            ? "Set-points for " + what + " that are not stated are those typical of the use (%d)."
            : String.format(
                Locale.ROOT,
                "Set-points for %s that are not stated are %.0f °C (%%d).",
                what,
                usual));
    return Course.of(typical != null ? typical : usual);
  }

  private Course infiltration(Space s, SpaceSettings own, double v, boolean conditioned) {
    if (own.airChange() != null) {
      return Course.of(own.airChange() * v);
    }
    Double stated = s.air().changes(v);
    if (stated != null) {
      return Course.of(stated * v);
    }
    double n = conditioned ? LEAKS : settings.heatLoss().airChanges();
    assumed.add(
        String.format(
            Locale.ROOT,
            "%s that state no air through leaks exchange %.1f of their air an hour (%%d).",
            conditioned ? "Conditioned spaces" : "Spaces that are not conditioned",
            n));
    return Course.of(n * v);
  }

  /** A space's part of the fresh air of its zone. */
  private Course supply(
      Space s, yentra.core.envelope.Zone z, double area, double v, boolean conditioned) {
    if (z == null || !conditioned) {
      return Course.NONE;
    }
    double[] all = ofZone.get(String.valueOf(s.zone()));
    double share = all[0] > 0 ? area / all[0] : all[1] > 0 ? v / all[1] : 0;
    yentra.core.envelope.Zone.ZoneAir a = z.air();
    double flow =
        M3_H_OF_L_S
                * (s.gains().people(area) * zero(a.perPerson())
                    + area * zero(a.perArea())
                    + share * zero(a.total()))
            + zero(a.changes()) * v;
    return course(flow, z.schedules().air());
  }

  private Course course(double value, String schedule) {
    if (value == 0) {
      return Course.NONE;
    }
    Optional<double[]> year = year(schedule);
    if (year.isEmpty()) {
      assumed.add("Gains and fresh air without a schedule are there at all hours (%d).");
    }
    return new Course(value, year.orElse(null));
  }

  /** The values of a schedule hour by hour; empty without one that says something for every day. */
  private Optional<double[]> year(String key) {
    if (key == null) {
      return Optional.empty();
    }
    Optional<double[]> known = courses.get(key);
    if (known == null) {
      known = envelope.schedules().profile(key).flatMap(this::year);
      if (known.isEmpty()) {
        assumed.add("Schedules that say nothing for some day of the year are left out (%d).");
      }
      courses.put(key, known);
    }
    return known;
  }

  private Optional<double[]> year(ScheduleProfile p) {
    ScheduleProfile hourly;
    double[] out = new double[hours];
    try {
      hourly = p.hourly();
    } catch (IndexOutOfBoundsException e) {
      return Optional.empty();
    }
    for (int h = 0; h < hours; h += 24) {
      LocalDate day = dates.apply(h);
      List<Double> values = hourly.on(day);
      if (values.isEmpty() && day.getMonthValue() == 2 && day.getDayOfMonth() == 29) {
        values = hourly.on(day.minusDays(7));
      }
      if (values.size() != 24) {
        return Optional.empty();
      }
      for (int i = 0; i < 24; i++) {
        out[h + i] = values.get(i);
      }
    }
    return Optional.of(out);
  }
}
