package yentra.core.intake;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.Map;
import java.util.TreeMap;
import yentra.core.boundary.BoundaryOptions;
import yentra.core.boundary.Convention;
import yentra.core.boundary.DerivationOptions;
import yentra.core.envelope.Building;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.ReadNote;
import yentra.core.envelope.Site;
import yentra.core.envelope.StandardUses;
import yentra.core.envelope.SurfaceType;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.thermal.HeatLossOptions;

/**
 * What is decided for a project as a whole; what is null is left to its deliveries.
 *
 * @param use gbXML's building type, such as {@code Office}
 * @param latitude degrees north
 * @param longitude degrees east
 * @param elevation metres above sea level
 * @param north azimuth of the model's +y axis in degrees clockwise from true north
 * @param groundLevel height of the ground at the building in model coordinates, metres
 * @param station name of a weather station of the list
 * @param boundaries how the boundaries of IFC deliveries are made; null for the defaults
 * @param checkLimits limits of checks that differ from their default, by code and name ({@code
 *     "GEO-302.deviation"}); null for none
 * @param units how figures are shown: {@code SI} or {@code IP}; null for SI
 * @param constructions names of library constructions that surfaces without one are given, by
 *     gbXML's surface type; null for none
 * @param heatLoss the ground, and how floors and unconditioned spaces lie to it; null for the
 *     defaults
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record ProjectSettings(
    String use,
    Double latitude,
    Double longitude,
    Double elevation,
    Double north,
    Double groundLevel,
    String station,
    String units,
    Boundaries boundaries,
    Map<String, Double> checkLimits,
    Map<String, String> constructions,
    HeatLossOptions heatLoss) {
  public static final ProjectSettings NONE =
      new ProjectSettings(null, null, null, null, null, null, null, null, null, null);

  public ProjectSettings {
    checkLimits = checkLimits == null || checkLimits.isEmpty() ? null : new TreeMap<>(checkLimits);
    constructions =
        constructions == null || constructions.isEmpty() ? null : new TreeMap<>(constructions);
  }

  /** Without constructions for surfaces that have none and with the usual ground. */
  public ProjectSettings(
      String use,
      Double latitude,
      Double longitude,
      Double elevation,
      Double north,
      Double groundLevel,
      String station,
      String units,
      Boundaries boundaries,
      Map<String, Double> checkLimits) {
    this(
        use,
        latitude,
        longitude,
        elevation,
        north,
        groundLevel,
        station,
        units,
        boundaries,
        checkLimits,
        null,
        null);
  }

  /**
   * How the boundaries of IFC deliveries are made; null leaves each choice at its default.
   *
   * @param mode null for {@code AUTO}
   * @param convention null for {@code INNER}
   * @param keepStrips whether strips with only construction behind them stay; null for false
   * @param gapLimit most construction between the two faces of a pair, metres; null for 0.6
   * @param roofTilt tilt below which a face is a roof or ceiling, degrees; null for 60
   * @param floorTilt tilt above which a face is a floor, degrees; null for 120
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record Boundaries(
      BoundaryOptions.Mode mode,
      Convention convention,
      Boolean keepStrips,
      Double gapLimit,
      Double roofTilt,
      Double floorTilt) {
    private static final Boundaries NONE = new Boundaries(null, null, null, null, null, null);

    /** The same choices, those at their default as null; null when all are. */
    private Boundaries plain() {
      within("The thickest construction of a pair", gapLimit, 0.05, 3, " m");
      within("The tilt of roofs", roofTilt, 5, 85, "°");
      within("The tilt of floors", floorTilt, 95, 175, "°");
      DerivationOptions d = DerivationOptions.STANDARD;
      Boundaries b =
          new Boundaries(
              mode == BoundaryOptions.Mode.AUTO ? null : mode,
              convention == Convention.INNER ? null : convention,
              Boolean.TRUE.equals(keepStrips) ? true : null,
              unless(d.gapLimit(), gapLimit),
              unless(d.types().roofTilt(), roofTilt),
              unless(d.types().floorTilt(), floorTilt));
      return b.equals(NONE) ? null : b;
    }

    private static Double unless(double standard, Double v) {
      return v != null && v == standard ? null : v;
    }

    private SurfaceTypes types() {
      SurfaceTypes t = SurfaceTypes.STANDARD;
      return new SurfaceTypes(
          roofTilt == null ? t.roofTilt() : roofTilt,
          floorTilt == null ? t.floorTilt() : floorTilt);
    }
  }

  /** The limits of checks that follow from these settings, by code and name. */
  public Map<String, Double> limits() {
    Map<String, Double> out = new TreeMap<>();
    if (boundaries != null) {
      SurfaceTypes t = boundaries.types();
      out.put("ADJ-504.roof", t.roofTilt());
      out.put("ADJ-504.floor", t.floorTilt());
    }
    if (checkLimits != null) {
      out.putAll(checkLimits);
    }
    return out;
  }

  /** These settings with other choices about boundaries. */
  public ProjectSettings with(Boundaries others) {
    return new ProjectSettings(
        use,
        latitude,
        longitude,
        elevation,
        north,
        groundLevel,
        station,
        units,
        others,
        checkLimits,
        constructions,
        heatLoss);
  }

  /** These settings with figures shown in other units, null for SI. */
  public ProjectSettings withUnits(String others) {
    return new ProjectSettings(
        use,
        latitude,
        longitude,
        elevation,
        north,
        groundLevel,
        station,
        others,
        boundaries,
        checkLimits,
        constructions,
        heatLoss);
  }

  /** These settings with other limits of checks, null for none. */
  public ProjectSettings withLimits(Map<String, Double> others) {
    return new ProjectSettings(
        use,
        latitude,
        longitude,
        elevation,
        north,
        groundLevel,
        station,
        units,
        boundaries,
        others,
        constructions,
        heatLoss);
  }

  /** These settings with other constructions for surfaces that have none, null for none. */
  public ProjectSettings withConstructions(Map<String, String> others) {
    return new ProjectSettings(
        use,
        latitude,
        longitude,
        elevation,
        north,
        groundLevel,
        station,
        units,
        boundaries,
        checkLimits,
        others,
        heatLoss);
  }

  /** How heat is lost to the ground, defaults filled in. */
  public HeatLossOptions heatLossOptions() {
    return heatLoss == null ? HeatLossOptions.STANDARD : heatLoss;
  }

  /** The choices about boundaries, defaults filled in. */
  public BoundaryOptions boundaryOptions() {
    if (boundaries == null) {
      return BoundaryOptions.STANDARD;
    }
    DerivationOptions d = DerivationOptions.STANDARD;
    return new BoundaryOptions(
        boundaries.mode == null ? BoundaryOptions.Mode.AUTO : boundaries.mode,
        d.absorbing(!Boolean.TRUE.equals(boundaries.keepStrips))
            .across(boundaries.gapLimit == null ? d.gapLimit() : boundaries.gapLimit)
            .typing(boundaries.types()),
        boundaries.convention == null ? Convention.INNER : boundaries.convention);
  }

  /**
   * These settings with blanks as null.
   *
   * @throws IllegalArgumentException when a value cannot be, with the reason
   */
  public ProjectSettings checked() {
    within("The latitude", latitude, -90, 90, "°");
    within("The longitude", longitude, -180, 180, "°");
    within("The elevation", elevation, -500, 9000, " m");
    within("North", north, -360, 360, "°");
    within("The ground level", groundLevel, -1000, 1000, " m");
    if ((latitude == null) != (longitude == null)) {
      throw new IllegalArgumentException("Latitude and longitude go together: give both.");
    }
    if (use != null && !use.isBlank() && !StandardUses.buildings().contains(use.strip())) {
      throw new IllegalArgumentException("There is no use of buildings " + use.strip() + ".");
    }
    if (units != null && !units.equals("SI") && !units.equals("IP")) {
      throw new IllegalArgumentException("Units are SI or IP.");
    }
    if (station != null
        && !station.isBlank()
        && WeatherStation.all().stream().noneMatch(s -> s.name().equals(station))) {
      throw new IllegalArgumentException("There is no weather station " + station + ".");
    }
    if (constructions != null) {
      for (String type : constructions.keySet()) {
        if (SurfaceType.fromGbxml(type).isEmpty()) {
          throw new IllegalArgumentException("There is no surface type " + type + ".");
        }
      }
    }
    String odd = heatLoss == null ? null : heatLoss.problem();
    if (odd != null) {
      throw new IllegalArgumentException(odd);
    }
    return new ProjectSettings(
        blank(use),
        latitude,
        longitude,
        elevation,
        north,
        groundLevel,
        blank(station),
        "IP".equals(units) ? units : null,
        boundaries == null ? null : boundaries.plain(),
        checkLimits,
        constructions,
        HeatLossOptions.STANDARD.equals(heatLoss) ? null : heatLoss);
  }

  private static void within(String what, Double v, double least, double most, String unit) {
    if (v != null && !(v >= least && v <= most)) {
      throw new IllegalArgumentException(
          String.format(
              java.util.Locale.ROOT,
              "%s must lie between %s and %s%s.",
              what,
              plain(least),
              plain(most),
              unit));
    }
  }

  private static String plain(double v) {
    return v == Math.rint(v) ? String.valueOf((long) v) : String.valueOf(v);
  }

  private static String blank(String s) {
    return s == null || s.isBlank() ? null : s.strip();
  }

  /** An envelope with this place, north and use instead of those that were delivered. */
  public Envelope applyTo(Envelope e) {
    Site s = e.site();
    Site placed =
        new Site(
            s.name(),
            latitude == null ? s.latitude() : latitude,
            longitude == null ? s.longitude() : longitude,
            elevation == null ? s.elevation() : elevation,
            north == null ? s.northAzimuth() : north,
            s.extras());
    Envelope at = placed.equals(s) ? e : e.withSite(placed);
    if (groundLevel != null) {
      at =
          at.withNotes(
              at.notes().stream().filter(n -> n.kind() != ReadNote.Kind.GROUND_ASSUMED).toList());
    }
    if (use == null) {
      return at;
    }
    return at.withBuildings(
        at.buildings().stream()
            .map(b -> new Building(b.key(), b.name(), use, b.statedArea(), b.source(), b.extras()))
            .toList());
  }
}
