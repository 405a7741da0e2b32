package yentra.demo;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Extras;
import yentra.core.envelope.OpeningType;
import yentra.core.envelope.ScheduleProfile;
import yentra.core.envelope.Site;
import yentra.core.envelope.SurfaceType;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;

/**
 * Marram Point lifeboat station and visitor centre, on a made-up coast: boat hall of double height,
 * workshop, kitchen, plant room, crew and changing rooms, a visitor gallery under a pitched roof
 * that reaches over a terrace, a half-buried store, two neighbour buildings. x is east, y north,
 * metres; the ground is at 0.
 */
public final class MarramPoint {
  static final String OUTER_WALL = "con-wall";
  static final String INNER_WALL = "con-partition";

  private MarramPoint() {}

  /** The building as it should be delivered: nothing is wrong with it. */
  public static Envelope sound() {
    return building(false);
  }

  /** Revision B: the same with a training wing along the crew and changing rooms. */
  public static Envelope withWing() {
    return building(true);
  }

  private static Envelope building(boolean wing) {
    Scene s = new Scene();
    s.storey("st-store", "Store level", -2.8)
        .storey("st-ground", "Ground floor", 0)
        .storey("st-gallery", "Gallery floor", 3.4);
    s.zone("zn-hall", "Boat hall", 12.0, 30.0)
        .zone("zn-crew", "Crew", 20.0, 26.0)
        .zone("zn-visitors", "Visitors", 20.0, 25.0)
        .zone("zn-service", "Service rooms", 15.0, 28.0);
    library(s);
    rooms(s);
    if (wing) {
      s.room(
          Room.box(
              "sp-training",
              "Training room",
              "st-ground",
              "zn-crew",
              "ClassroomOrLectureOrTraining",
              "HeatedAndCooled",
              18,
              30,
              12,
              20,
              0,
              3.4));
    }
    s.enclose(new Typed());
    openings(s, wing);
    shading(s);
    return s.envelope(
        new Site("Marram Point", 54.12, -3.31, 6.0, 12.0, Extras.NONE),
        "Marram Point lifeboat station",
        "FireStation");
  }

  private static Object[] layer(
      String name, double thickness, double conductivity, double density, double heat) {
    return new Object[] {name, thickness, conductivity, density, heat};
  }

  // conductivities, densities and specific heats: design values of ISO 10456, from memory
  private static void library(Scene s) {
    Object[] plaster = layer("Gypsum plaster", 0.013, 0.57, 1300, 1000);
    Object[] wool = layer("Mineral wool", 0.16, 0.036, 40, 1030);
    Object[] block = layer("Concrete block", 0.14, 0.51, 1400, 1000);
    Object[] concrete = layer("Reinforced concrete", 0.2, 2.3, 2300, 1000);
    s.construction(
        OUTER_WALL,
        "Boarded wall on block",
        layer("Larch boarding", 0.022, 0.13, 500, 1600),
        wool,
        block,
        plaster);
    s.construction(INNER_WALL, "Block partition", plaster, block, plaster);
    s.construction(
        "con-roof",
        "Slate roof on rafters",
        layer("Slate", 0.01, 2.2, 2400, 1000),
        layer("Mineral wool", 0.24, 0.036, 40, 1030),
        plaster);
    s.construction(
        "con-floor", "Concrete floor", layer("Screed", 0.065, 1.4, 2000, 1000), concrete);
    s.construction(
        "con-ground",
        "Ground slab",
        layer("Insulation board", 0.12, 0.035, 30, 1450),
        concrete,
        layer("Screed", 0.065, 1.4, 2000, 1000));
    s.construction(
        "con-earth",
        "Retaining wall",
        layer("Insulation board", 0.1, 0.035, 30, 1450),
        layer("Reinforced concrete", 0.25, 2.3, 2300, 1000));
    s.construction(
        "con-terrace",
        "Floor over terrace",
        layer("Larch boarding", 0.022, 0.13, 500, 1600),
        wool,
        concrete);
    s.construction(
        "con-door", "Insulated steel door", layer("Steel-faced panel", 0.06, 0.045, 120, 1200));
    s.glazing("win-double", "Double glazing", 1.3, 0.55, 0.75)
        .glazing("win-triple", "Triple glazing", 0.9, 0.48, 0.68);
  }

  private static void rooms(Scene s) {
    s.room(
        Room.box(
            "sp-hall",
            "Boat hall",
            "st-ground",
            "zn-hall",
            "GarageServiceOrRepairAutomotiveFacility",
            "Heated",
            0,
            18,
            0,
            12,
            0,
            6.8));
    s.room(
        Room.box(
            "sp-workshop",
            "Workshop",
            "st-ground",
            "zn-service",
            "WorkshopWorkshop",
            "Heated",
            18,
            26,
            0,
            6,
            0,
            3.4));
    s.room(
        Room.box(
            "sp-kitchen",
            "Kitchen",
            "st-ground",
            "zn-visitors",
            "FoodPreparation",
            "HeatedAndCooled",
            26,
            30,
            0,
            6,
            0,
            3.4));
    s.room(
        Room.box(
            "sp-plant",
            "Plant room",
            "st-ground",
            "zn-service",
            "ElectricalOrMechanical",
            "Heated",
            30,
            34,
            0,
            6,
            0,
            3.4));
    s.room(
        Room.box(
            "sp-crew",
            "Crew room",
            "st-ground",
            "zn-crew",
            "LoungeOrRecreation",
            "HeatedAndCooled",
            18,
            24,
            6,
            12,
            0,
            3.4));
    s.room(
        Room.box(
            "sp-changing",
            "Changing room",
            "st-ground",
            "zn-crew",
            "DressingOrLockerOrFittingRoomGymnasium",
            "Heated",
            24,
            30,
            6,
            12,
            0,
            3.4));
    s.room(
        Room.section(
            "sp-gallery",
            "Visitor gallery",
            "st-gallery",
            "zn-visitors",
            "GeneralExhibitionMuseum",
            "HeatedAndCooled",
            18,
            34,
            new double[][] {{0, 3.4}, {12, 3.4}, {12, 5.8}, {6, 8.6}, {0, 5.8}}));
    s.room(
        Room.box(
            "sp-store",
            "Store",
            "st-store",
            "zn-service",
            "InactiveStorage",
            "Unconditioned",
            18,
            30,
            6,
            12,
            -2.8,
            0));
    s.people("sp-gallery", visitors()).people("sp-crew", watch());
  }

  /** Ten to five, longer in summer; closed on Mondays. */
  private static ScheduleProfile visitors() {
    List<ScheduleProfile.Day> winter = List.of(day("All", 10, 16, 0.4), day("Mon", 0, 0, 0));
    List<ScheduleProfile.Day> summer =
        List.of(day("Weekday", 10, 17, 0.6), day("Weekend", 10, 18, 1), day("Mon", 0, 0, 0));
    return new ScheduleProfile(
        "Visitors",
        ScheduleProfile.FRACTION,
        List.of(
            new ScheduleProfile.Period("01-01", "04-30", winter),
            new ScheduleProfile.Period("05-01", "09-30", summer),
            new ScheduleProfile.Period("10-01", "12-31", winter)));
  }

  /** Somebody is always there; on Wednesdays the crew meets. */
  private static ScheduleProfile watch() {
    List<Double> drill = new ArrayList<>(Collections.nCopies(24, 0.2));
    drill.set(18, 0.8);
    drill.set(19, 1.0);
    drill.set(20, 1.0);
    return new ScheduleProfile(
        "Watch and drill",
        ScheduleProfile.FRACTION,
        List.of(
            new ScheduleProfile.Period(
                "01-01",
                "12-31",
                List.of(
                    new ScheduleProfile.Day("All", Collections.nCopies(24, 0.2)),
                    new ScheduleProfile.Day("Wed", drill)))));
  }

  private static ScheduleProfile.Day day(String days, int from, int to, double value) {
    List<Double> values = new ArrayList<>(Collections.nCopies(24, 0.0));
    for (int h = from; h < to; h++) {
      values.set(h, value);
    }
    return new ScheduleProfile.Day(days, values);
  }

  private static final class Typed implements Scene.Typing {
    @Override
    public SurfaceType type(Room room, Room other, Polygon face) {
      double tilt = face.tilt();
      boolean up = tilt < 60;
      boolean down = tilt > 120;
      if (other != null) {
        return up
            ? SurfaceType.CEILING
            : down ? SurfaceType.INTERIOR_FLOOR : SurfaceType.INTERIOR_WALL;
      }
      if (up) {
        return SurfaceType.ROOF;
      }
      if (down) {
        double z = face.mean().z();
        return z < -1
            ? SurfaceType.UNDERGROUND_SLAB
            : z < 1 ? SurfaceType.SLAB_ON_GRADE : SurfaceType.EXPOSED_FLOOR;
      }
      // the store's east side opens to the boat yard, which lies a storey lower
      boolean buried = face.mean().z() < 0 && face.normal().x() < 0.5;
      return buried ? SurfaceType.UNDERGROUND_WALL : SurfaceType.EXTERIOR_WALL;
    }

    @Override
    public String construction(SurfaceType type) {
      return switch (type) {
        case EXTERIOR_WALL -> OUTER_WALL;
        case INTERIOR_WALL -> INNER_WALL;
        case ROOF -> "con-roof";
        case CEILING, INTERIOR_FLOOR -> "con-floor";
        case SLAB_ON_GRADE, UNDERGROUND_SLAB -> "con-ground";
        case UNDERGROUND_WALL -> "con-earth";
        case EXPOSED_FLOOR -> "con-terrace";
        default -> null;
      };
    }
  }

  private static void openings(Scene s, boolean wing) {
    String dbl = "win-double";
    door(s, "sp-hall", new Vec3(0, 6, 2.6), 7, 5.2);
    for (double x : new double[] {3, 9, 15}) {
      window(s, "sp-hall", new Vec3(x, 0, 5.2), 3.6, 1.2, dbl);
      window(s, "sp-hall", new Vec3(x, 12, 5.2), 3.6, 1.2, dbl);
    }
    window(s, "sp-workshop", new Vec3(20, 0, 1.8), 2.4, 1.4, dbl);
    door(s, "sp-workshop", new Vec3(24, 0, 1.1), 2, 2.2);
    window(s, "sp-kitchen", new Vec3(28, 0, 1.8), 2, 1.2, dbl);
    door(s, "sp-plant", new Vec3(32, 0, 1.1), 1.8, 2.2);
    if (wing) {
      door(s, "sp-crew", new Vec3(21, 12, 1.1), 1.8, 2.2);
      window(s, "sp-training", new Vec3(22, 20, 1.7), 4, 1.5, dbl);
      window(s, "sp-training", new Vec3(27, 20, 1.7), 4, 1.5, dbl);
    } else {
      window(s, "sp-crew", new Vec3(21, 12, 1.7), 3.2, 1.5, dbl);
      window(s, "sp-changing", new Vec3(27, 12, 2.4), 2.4, 0.7, dbl);
    }
    door(s, "sp-changing", new Vec3(30, 9, 1.1), 1, 2.2);
    door(s, "sp-store", new Vec3(30, 9, -1.7), 2, 2.2);
    door(s, "sp-hall", new Vec3(18, 3, 1.1), 1.2, 2.2);
    door(s, "sp-hall", new Vec3(18, 9, 1.1), 1, 2.2);
    door(s, "sp-crew", new Vec3(24, 9, 1.1), 1, 2.2);
    door(s, "sp-kitchen", new Vec3(26, 3, 1.1), 1, 2.2);
    window(s, "sp-gallery", new Vec3(18, 6, 5.1), 6, 1.6, dbl);
    for (double x : new double[] {20.5, 24.5, 28.5, 32}) {
      window(s, "sp-gallery", new Vec3(x, 0, 4.6), 2.2, 1.5, "win-triple");
    }
    for (double x : new double[] {21, 26, 31}) {
      window(s, "sp-gallery", new Vec3(x, 12, 4.6), 1.8, 1.5, "win-triple");
    }
    window(s, "sp-gallery", new Vec3(34, 6, 5.6), 5, 2.4, "win-triple");
    for (double x : new double[] {22, 30}) {
      s.opening(
          OpeningType.FIXED_SKYLIGHT,
          "sp-gallery",
          new Vec3(x, 3, 7.2),
          1.4,
          1.6,
          "win-triple",
          null);
    }
  }

  private static void window(Scene s, String space, Vec3 at, double w, double h, String glazing) {
    s.opening(OpeningType.FIXED_WINDOW, space, at, w, h, glazing, null);
  }

  private static void door(Scene s, String space, Vec3 at, double w, double h) {
    s.opening(OpeningType.NON_SLIDING_DOOR, space, at, w, h, null, "con-door");
  }

  private static void shading(Scene s) {
    s.shade(
        Polygon.of(
            new Vec3(-2.4, 1.5, 5.6),
            new Vec3(0, 1.5, 5.6),
            new Vec3(0, 10.5, 5.6),
            new Vec3(-2.4, 10.5, 5.6)));
    s.shade(
        Polygon.of(
            new Vec3(34, 0, 3.4),
            new Vec3(36.5, 0, 3.4),
            new Vec3(36.5, 12, 3.4),
            new Vec3(34, 12, 3.4)));
    neighbour(s, -4, 8, -24, -14, 7);
    neighbour(s, 22, 34, 24, 32, 5.5);
  }

  /** A neighbour building: its four walls and its roof. */
  private static void neighbour(Scene s, double x0, double x1, double y0, double y1, double h) {
    List<Vec3> base =
        List.of(new Vec3(x0, y0, 0), new Vec3(x1, y0, 0), new Vec3(x1, y1, 0), new Vec3(x0, y1, 0));
    List<Polygon> faces = Room.prism(base, new Vec3(0, 0, h));
    faces.subList(1, faces.size()).forEach(s::shade);
  }
}
