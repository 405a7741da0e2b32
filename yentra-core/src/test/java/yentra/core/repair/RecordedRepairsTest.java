package yentra.core.repair;

import static yentra.core.Fixtures.rooms;
import static yentra.core.Fixtures.v;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.DoubleStream;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.ObjectWriter;
import tools.jackson.databind.json.JsonMapper;
import yentra.core.Fixtures;
import yentra.core.Recorded;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.rule.Remedy;
import yentra.core.check.run.Remedies;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.InternalGains;
import yentra.core.envelope.Member;
import yentra.core.envelope.Naming;
import yentra.core.envelope.OpeningType;
import yentra.core.envelope.ScheduleProfile;
import yentra.core.envelope.SpaceSeed;
import yentra.core.envelope.SurfaceType;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.envelope.Zone.ZoneAir;
import yentra.core.finding.Finding;
import yentra.core.finding.Limits;
import yentra.core.geometry.Vec3;
import yentra.core.repair.construction.AmendGlazing;
import yentra.core.repair.construction.AmendMaterial;
import yentra.core.repair.construction.AssignConstruction;
import yentra.core.repair.construction.ConstructionSpec;
import yentra.core.repair.construction.ConstructionSpec.LayerSpec;
import yentra.core.repair.construction.GiveConstruction;
import yentra.core.repair.construction.GiveGlazing;
import yentra.core.repair.construction.GlazingSpec;
import yentra.core.repair.construction.MakeMassless;
import yentra.core.repair.construction.MergeThinLayer;
import yentra.core.repair.construction.ReplaceConstruction;
import yentra.core.repair.construction.ReverseLayers;
import yentra.core.repair.construction.StateUValue;
import yentra.core.repair.delivery.AlignDelivery;
import yentra.core.repair.delivery.MakeIdUnique;
import yentra.core.repair.delivery.PointReference;
import yentra.core.repair.delivery.RereadUnit;
import yentra.core.repair.kinds.RepairKinds;
import yentra.core.repair.opening.AddOpening;
import yentra.core.repair.opening.CutOpening;
import yentra.core.repair.opening.DeleteOpening;
import yentra.core.repair.opening.GlazeWalls;
import yentra.core.repair.opening.ReshapeOpening;
import yentra.core.repair.opening.RetypeOpening;
import yentra.core.repair.space.AddSpace;
import yentra.core.repair.space.AddSpaces;
import yentra.core.repair.space.AmendSpace;
import yentra.core.repair.space.DeleteSpace;
import yentra.core.repair.space.MergeSpaces;
import yentra.core.repair.space.NameSpaces;
import yentra.core.repair.space.ReverseShell;
import yentra.core.repair.space.SnapVertices;
import yentra.core.repair.space.SplitSpace;
import yentra.core.repair.surface.AbsorbSlivers;
import yentra.core.repair.surface.CleanOutline;
import yentra.core.repair.surface.CloseHole;
import yentra.core.repair.surface.DeleteSurface;
import yentra.core.repair.surface.ExtendSurface;
import yentra.core.repair.surface.MakeAdiabatic;
import yentra.core.repair.surface.MatchFacing;
import yentra.core.repair.surface.MergeCoplanar;
import yentra.core.repair.surface.ReshapeSurface;
import yentra.core.repair.surface.RetypeSurface;
import yentra.core.repair.surface.ReverseSurface;
import yentra.core.repair.surface.SetNeighbours;
import yentra.core.repair.surface.SplitSurface;
import yentra.core.repair.surface.StraightenFacets;
import yentra.core.repair.use.AmendSchedule;
import yentra.core.repair.use.AmendZone;
import yentra.core.repair.use.GiveSchedule;
import yentra.core.repair.use.GiveSchedule.Purpose;
import yentra.core.repair.use.GiveUse;
import yentra.core.repair.use.GiveUse.UseSchedules;
import yentra.core.repair.use.GiveZone;
import yentra.core.repair.use.TakeRoomData;

/**
 * Every repair that is offered in the rooms with one fault each: its button, its JSON, its
 * sentence, what it changes, what it says of objects that are gone.
 */
class RecordedRepairsTest {
  private static final ObjectWriter JSON =
      JsonMapper.builder()
          .addMixIn(Repair.class, RepairKinds.class)
          .build()
          .writerFor(Repair.class);

  static void told(Envelope e, Repair r, List<String> out) {
    out.add("  " + JSON.writeValueAsString(r));
    out.add("    names " + r.objects());
    try {
      Repair.Made made = r.make(e, Fixtures.RULES, new Naming(e, SurfaceTypes.STANDARD));
      out.add("    " + made.summary());
      out.addAll(Recorded.change(e, made.envelope()));
      Repair less = r.effective(e);
      if (!less.equals(r)) {
        out.add("    no more than " + JSON.writeValueAsString(less));
      }
    } catch (NotApplicableException x) {
      out.add("    refused: " + x.getMessage());
      return;
    }
    if (!r.objects().isEmpty()) {
      String gone = r.objects().get(0);
      try {
        r.renamed(new KeyChange(k -> k.equals(gone) ? "gone" : k)).apply(e, Fixtures.RULES);
        out.add("    also without " + gone);
      } catch (NotApplicableException x) {
        out.add("    without " + gone + ": " + x.getMessage());
      }
    }
  }

  @Test
  void whatIsOfferedSaysAndDoesThis() throws Exception {
    List<String> out = new ArrayList<>();
    for (Map.Entry<String, Envelope> room : FaultyRooms.all().entrySet()) {
      Envelope e = room.getValue();
      Remedies remedies = new Remedies(new CheckContext(e, Limits.STANDARD, Fixtures.TOLERANCE));
      for (Finding f : Fixtures.check(e)) {
        if (!f.code().equals(room.getKey())) {
          continue;
        }
        out.add(f.id() + ": " + f.message());
        for (Remedy r : remedies.of(f)) {
          out.add("  " + r.label());
          told(e, r.repair(), out);
        }
      }
    }
    Recorded.same("offered-repairs", out);
  }

  /** One after the other, each in what those before it made; what is refused changes nothing. */
  private static void sequence(String title, Envelope e, List<String> out, Repair... all) {
    out.add(title);
    for (Repair r : all) {
      told(e, r, out);
      try {
        e = r.apply(e, Fixtures.RULES);
      } catch (NotApplicableException x) {
        // its reason stands in the text
        continue;
      }
    }
  }

  private static ScheduleProfile fraction(String name, double... hours) {
    return ScheduleProfile.always(
        name, ScheduleProfile.FRACTION, DoubleStream.of(hours).boxed().toList());
  }

  @Test
  void usesZonesAndSchedulesChangeSo() throws Exception {
    List<String> out = new ArrayList<>();
    ScheduleProfile day = fraction("By day", 0.0, 0.5, 1.0, 0.25);
    InternalGains gains = new InternalGains(null, 10.0, 70.0, 45.0, 8.0, 6.5);
    sequence(
        "Schedules of spaces and zones",
        rooms(),
        out,
        new GiveSchedule(Purpose.PEOPLE, List.of("a", "b"), null, day),
        new GiveSchedule(Purpose.PEOPLE, List.of("a"), null, day),
        new GiveSchedule(Purpose.LIGHT, List.of("a"), "schedule_By-day", null),
        new GiveSchedule(Purpose.EQUIPMENT, List.of("b"), null, fraction("By day", 0.1, 0.2)),
        new GiveSchedule(Purpose.HEATING, List.of("z-1"), null, fraction("Nights", 1, 0.3)),
        new GiveSchedule(Purpose.COOLING, List.of("z-1"), "schedule_By-day", null),
        new GiveSchedule(Purpose.AIR, List.of("z-1"), "schedule_By-day", null),
        new GiveSchedule(Purpose.AIR, List.of("z-1"), null, null),
        new GiveSchedule(Purpose.AIR, List.of("z-1"), null, null),
        new GiveSchedule(Purpose.PEOPLE, List.of("b"), null, null),
        new GiveSchedule(Purpose.PEOPLE, List.of("a"), "none", null),
        new GiveSchedule(Purpose.PEOPLE, List.of(), null, day),
        new GiveSchedule(null, List.of("a"), null, day),
        new GiveSchedule(Purpose.PEOPLE, List.of("z-1"), null, day),
        new GiveSchedule(Purpose.AIR, List.of("a"), null, day),
        new GiveSchedule(Purpose.PEOPLE, List.of("a"), null, fraction("Too much", 1.5)),
        new AmendSchedule("schedule_By-day", fraction("By day", 0.0, 1.0)),
        new AmendSchedule("schedule_By-day", fraction("By day", 0.0, 1.0)),
        new AmendSchedule("schedule_By-day", fraction("Always", 1.0)),
        new AmendSchedule("schedule_By-day", fraction("", 1.0)),
        new AmendSchedule("schedule_By-day", null),
        new AmendSchedule("none", day));
    sequence(
        "Uses",
        rooms(),
        out,
        new GiveUse(List.of("a"), "Corridor", null, null),
        new GiveUse(List.of("a", "b"), "Corridor", "Unconditioned", gains),
        new GiveUse(List.of("a", "b"), "Corridor", "Unconditioned", gains),
        new GiveUse(List.of("a"), null, "HeatedOnly", null),
        new GiveUse(List.of("a"), null, "HeatedOnly", null),
        new GiveUse(
            List.of("a"), null, null, gains, new UseSchedules(day, null, fraction("Off", 0))),
        new GiveUse(List.of("b"), null, null, null, new UseSchedules(null, day, null)),
        new GiveUse(List.of("b"), null, null, null),
        new GiveUse(List.of(), "Corridor", null, null),
        new GiveUse(
            List.of("b"), null, null, new InternalGains(-1.0, null, null, null, null, null)),
        new GiveUse(List.of("b"), null, null, new InternalGains(null, 0.0, null, null, null, null)),
        new GiveUse(
            List.of("b"), null, null, new InternalGains(null, null, null, null, -3.0, null)));
    ZoneAir air = new ZoneAir(10.0, 0.3, null, 30.0, 60.0, 0.5);
    sequence(
        "Zones",
        rooms(),
        out,
        new GiveZone(List.of("a"), null, "North", 19.0, 27.0, air),
        new GiveZone(List.of("a"), null, "North", 19.0, 27.0, air),
        new GiveZone(List.of("b"), "zone_North", null, null, null, null),
        new GiveZone(List.of("b"), "z-1", "Renamed", 21.0, null, null),
        new GiveZone(List.of("b"), "none", null, null, null, null),
        new GiveZone(List.of("b"), null, "", null, null, null),
        new GiveZone(List.of(), null, "North", null, null, null),
        new GiveZone(List.of("b"), null, "South", 26.0, 20.0, null),
        new AmendZone("z-1", "Rest", 18.0, 28.0, air),
        new AmendZone("z-1", "Rest", 18.0, 28.0, air),
        new AmendZone("z-1", "", null, null),
        new AmendZone("z-1", null, 30.0, null),
        new AmendZone("z-1", null, null, 10.0),
        new AmendZone("z-1", null, -300.0, null),
        new AmendZone("z-1", null, null, null, new ZoneAir(-1.0, null, null, null, null)),
        new AmendZone("z-1", null, null, null, new ZoneAir(null, null, null, 70.0, 40.0)),
        new AmendZone("none", null, 19.0, null));
    sequence(
        "A room sheet",
        rooms(),
        out,
        new TakeRoomData(
            List.of(
                new TakeRoomData.Room(
                    "a", "Crew room", "Lounge", "Heated", "North", 20.0, 26.0, air, gains),
                new TakeRoomData.Room(
                    "b", null, null, "Unconditioned", "North", 20.0, 26.0, null, null))),
        new TakeRoomData(
            List.of(
                new TakeRoomData.Room(
                    "a", "Crew room", "Lounge", "Heated", "North", 20.0, 26.0, air, gains))),
        new TakeRoomData(
            List.of(new TakeRoomData.Room("b", "Store", null, null, null, 15.0, null, null, null))),
        new TakeRoomData(
            List.of(new TakeRoomData.Room("b", "", "", "", "", null, 30.0, ZoneAir.NONE, null))),
        new TakeRoomData(
            List.of(new TakeRoomData.Room("c", "Store", null, null, null, null, null, null, null))),
        new TakeRoomData(List.of()));
    Recorded.same("use-repairs", out);
  }

  private static LayerSpec layer(String name, double t, double lambda) {
    return new LayerSpec(name, t, lambda, 1200.0, 1000.0, null, null);
  }

  private static ConstructionSpec wall(String name, LayerSpec... layers) {
    return new ConstructionSpec(null, name, List.of(layers), null, "by hand");
  }

  @Test
  void constructionsChangeSo() throws Exception {
    List<String> out = new ArrayList<>();
    ConstructionSpec block =
        wall(
            "Block wall",
            layer("Render", 0.02, 0.9),
            layer("Wool", 0.12, 0.035),
            layer("Block", 0.1, 0.2),
            layer("Skim", 0.002, 0.5));
    LayerSpec bare = new LayerSpec("Air cavity", 0.05, null, null, null, null, null);
    LayerSpec held = new LayerSpec("Membrane", null, null, null, null, 0.02, null);
    sequence(
        "Constructions",
        rooms(),
        out,
        new GiveConstruction(List.of("b-east", "b-roof"), block),
        new GiveConstruction(List.of("b-north"), block),
        new GiveConstruction(List.of("b-north"), block),
        new GiveConstruction(List.of("b-north"), ConstructionSpec.existing("con-1")),
        new GiveConstruction(List.of("b-north"), ConstructionSpec.existing("none")),
        new GiveConstruction(List.of("win"), wall("Panel", layer("Board", 0.04, 0.1), bare, held)),
        new GiveConstruction(List.of(), block),
        new GiveConstruction(List.of("a-west"), wall("", layer("Board", 0.04, 0.1))),
        new GiveConstruction(List.of("a-west"), wall("Nothing")),
        new GiveConstruction(List.of("a-west"), wall("Thin", layer("Board", 0, 0.1))),
        new GiveConstruction(List.of("a-west"), wall("Cold", layer("Board", 0.04, -1))),
        new GiveConstruction(
            List.of("a-west"), new ConstructionSpec(null, "As stated", List.of(), 0.21, "")),
        new MergeThinLayer("mat_Skim"),
        new MergeThinLayer("mat_Skim"),
        new MergeThinLayer("mat-1"),
        new ReverseLayers("con_Block-wall"),
        new ReverseLayers("con-1"),
        new ReverseLayers("none"),
        new StateUValue("con-1", 1.7),
        new StateUValue("con-1", 1.7),
        new StateUValue("con-1", null),
        new StateUValue("con-1", -2.0),
        new AmendMaterial("mat-1", 0.25, 0.7, 1700.0, 850.0, null, "by hand"),
        new AmendMaterial("mat-1", 0.25, 0.7, 1700.0, 850.0, null, "by hand"),
        new AmendMaterial("mat-1", null, null, null, null, 0.5, "by hand"),
        new AmendMaterial("mat-1", -0.25, null, null, null, null, ""),
        new AmendMaterial("mat-1", null, 0.0, null, null, null, ""),
        new AmendMaterial("mat-1", null, null, null, null, null, ""),
        new AmendMaterial("none", 0.25, null, null, null, null, ""),
        new MakeMassless("con_Block-wall"),
        new MakeMassless("con_Block-wall"),
        new MakeMassless("none"),
        new AssignConstruction("a-west", "con_Block-wall"),
        new AssignConstruction("win", "con-1"),
        new AssignConstruction("none", "con-1"),
        new ReplaceConstruction("con-1", block),
        new ReplaceConstruction("con-1", block),
        new ReplaceConstruction("con_Block-wall", ConstructionSpec.existing("con_Panel")));
    GlazingSpec triple = new GlazingSpec(null, "Triple glazing", 0.7, 0.5, 0.7, "by hand");
    sequence(
        "Window types",
        rooms(),
        out,
        new GiveGlazing(List.of("win"), triple),
        new GiveGlazing(List.of("win"), triple),
        new GiveGlazing(List.of("win"), new GlazingSpec("glass-1", null, null, null, null, "")),
        new GiveGlazing(List.of("win"), new GlazingSpec("none", null, null, null, null, "")),
        new GiveGlazing(List.of("win"), new GlazingSpec(null, "", 0.7, 0.5, 0.7, "")),
        new GiveGlazing(List.of("win"), new GlazingSpec(null, "Bad", -0.7, 0.5, 0.7, "")),
        new GiveGlazing(List.of("win"), new GlazingSpec(null, "Bad", 0.7, 1.5, 0.7, "")),
        new GiveGlazing(List.of("win"), new GlazingSpec(null, "Bad", 0.7, 0.5, -0.1, "")),
        new GiveGlazing(List.of("a-south"), triple),
        new GiveGlazing(List.of(), triple),
        new AmendGlazing("glass-1", 1.1, 0.4, 0.6, "by hand"),
        new AmendGlazing("glass-1", 1.1, 0.4, 0.6, "by hand"),
        new AmendGlazing("glass-1", 0.0, null, null, ""),
        new AmendGlazing("glass-1", null, -0.4, null, ""),
        new AmendGlazing("glass-1", null, null, 1.6, ""),
        new AmendGlazing("glass-1", null, null, null, ""),
        new AmendGlazing("none", 1.1, null, null, ""));
    Recorded.same("construction-repairs", out);
  }

  private static List<Vec3> south(double x0, double z0, double x1, double z1) {
    return List.of(v(x0, 0, z0), v(x1, 0, z0), v(x1, 0, z1), v(x0, 0, z1));
  }

  @Test
  void spacesSurfacesAndOpeningsChangeSo() throws Exception {
    List<String> out = new ArrayList<>();
    sequence(
        "Openings",
        rooms(),
        out,
        new AddOpening("b-south", south(5, 0, 6, 2.1), OpeningType.NON_SLIDING_DOOR),
        new AddOpening("b-south", south(5.5, 1, 7, 2), OpeningType.FIXED_WINDOW),
        new AddOpening("b-south", south(3, 1, 4.5, 2), OpeningType.FIXED_WINDOW),
        new AddOpening("b-south", south(6.5, 1, 7, 2).subList(0, 2), OpeningType.FIXED_WINDOW),
        new ReshapeOpening("win", south(0.5, 0.8, 3.5, 2.4)),
        new ReshapeOpening("win", south(-2, 0.8, -1, 2.4)),
        new RetypeOpening("win", OpeningType.NON_SLIDING_DOOR),
        new RetypeOpening("win", OpeningType.NON_SLIDING_DOOR),
        new CutOpening("win"),
        new DeleteOpening("win"),
        new DeleteOpening("win"),
        new GlazeWalls(List.of("a-south", "b-east", "b-north"), 0.3, 0.9),
        new GlazeWalls(List.of("a-west"), 0.95, 0.9),
        new GlazeWalls(List.of("a-west"), 1.2, 0.9),
        new GlazeWalls(List.of("a-west"), 0.3, 3.5),
        new GlazeWalls(List.of("a-roof"), 0.2, 0),
        new GlazeWalls(List.of("a-floor"), 0.2, 0),
        new GlazeWalls(List.of(), 0.2, 0));
    sequence(
        "Surfaces",
        rooms(),
        out,
        new SplitSurface("a-south", v(2.5, 0, 0), v(2.5, 0, 3)),
        new MergeCoplanar(),
        new MergeCoplanar(),
        new SetNeighbours("between", List.of("b"), SurfaceType.EXTERIOR_WALL),
        new SetNeighbours("between", List.of("b", "a"), SurfaceType.INTERIOR_WALL),
        new RetypeSurface("between", SurfaceType.AIR),
        new RetypeSurface("between", SurfaceType.AIR),
        new MakeAdiabatic("b-east", SurfaceType.INTERIOR_WALL),
        new MakeAdiabatic("b-east", SurfaceType.INTERIOR_WALL),
        new MakeAdiabatic("between", SurfaceType.INTERIOR_WALL),
        new RetypeSurface("b-east", SurfaceType.UNDERGROUND_WALL),
        new RetypeSurface("b-roof", SurfaceType.CEILING),
        new ReverseSurface("b-east"),
        new ReverseSurface("between"),
        new ReshapeSurface(
            "b-north", List.of(v(8, 5, 0), v(4, 5, 0), v(4, 5, 2), v(8, 5, 2.5)), true),
        new ReshapeSurface("b-north", List.of(v(8, 5, 0), v(4, 5, 0), v(6, 5.5, 3)), false),
        new ExtendSurface("b-south", "b-east"),
        new DeleteSurface("b-north"),
        new CloseHole("b", List.of(v(8, 5, 0), v(4, 5, 0), v(4, 5, 3), v(8, 5, 3)), null, "con-1"),
        new MatchFacing(0.6),
        new AbsorbSlivers(0.05, 0.02),
        new StraightenFacets(0.05),
        new CleanOutline("a-roof", 0.001));
    sequence(
        "Spaces",
        rooms(),
        out,
        new SplitSpace("a", v(0, 2, 0), v(0, 1, 0), "West, north"),
        new NameSpaces("{storey} {number}", List.of()),
        new NameSpaces("{storey} {number}", List.of()),
        new NameSpaces("{name} {area}", List.of("b")),
        new NameSpaces("", List.of()),
        new MergeSpaces(List.of("a", "b")),
        new MergeSpaces(List.of("a")),
        new AddSpace(
            "Porch", List.of(v(8, 0, 0), v(8, 2, 0), v(10, 2, 0), v(10, 0, 0)), 0, 2.5, null),
        new AddSpace("Flat", List.of(v(8, 0, 0), v(8, 2, 0), v(10, 2, 0)), 0, 0, null),
        new AddSpace("Line", List.of(v(8, 0, 0), v(8, 2, 0)), 0, 2.5, "st-1"),
        new MatchFacing(0.1),
        new AmendSpace("b", "st-1", true, true),
        new AmendSpace("b", "none", false, false),
        new ReverseShell("b"),
        new DeleteSpace("b"),
        new DeleteSpace("b"),
        new SnapVertices(List.of("a"), 0.03),
        new SnapVertices(List.of("a"), 9),
        new AddSpaces(List.of(new SpaceSeed("Hole", v(6, 2, 1)))),
        new AddSpaces(List.of(new SpaceSeed("Outside", v(60, 2, 1)))),
        new AddSpaces(List.of()));
    sequence(
        "The delivery",
        rooms(),
        out,
        new AlignDelivery(90, 10, -5, 2, null),
        new AlignDelivery(0, 0, 0, 0, 12.5),
        new AlignDelivery(0, 0, 0, 0, null),
        new RereadUnit(0.001, "millimetres"),
        new RereadUnit(0, "nothing"),
        new MakeIdUnique("a"));
    Recorded.same("geometry-repairs", out);
  }

  @Test
  void referencesArePointedElsewhereSo() throws Exception {
    List<String> out = new ArrayList<>();
    List<Repair> all = new ArrayList<>();
    ScheduleProfile day = fraction("By day", 0.0, 1.0);
    all.add(new GiveSchedule(Purpose.PEOPLE, List.of("a"), null, day));
    Map<Member, String> objects = new EnumMap<>(Member.class);
    for (Member m : Member.values()) {
      String object =
          switch (m) {
            case CONSTRUCTION, SPACE, SURFACE_TYPE -> "b-east";
            case THICKNESS, CONDUCTIVITY, DENSITY, SPECIFIC_HEAT, RESISTANCE, U_VALUE -> "con-1";
            case FLOOR_AREA, VOLUME -> "b";
            case GLAZING, OPENING_TYPE -> "win";
            case ZONE, STOREY, OTHER, PEOPLE_SCHEDULE, LIGHTING_SCHEDULE, EQUIPMENT_SCHEDULE -> "b";
            case HEATING_SCHEDULE, COOLING_SCHEDULE, AIR_SCHEDULE -> "z-1";
            case WEEK, DAY -> "schedule_By-day";
          };
      objects.put(m, object);
    }
    for (Map.Entry<Member, String> o : objects.entrySet()) {
      for (String to :
          new String[] {"con-1", "glass-1", "a", "z-1", "st-1", "schedule_By-day", "none", null}) {
        all.add(new PointReference(o.getValue(), o.getKey(), "programId", "b", to));
      }
    }
    all.add(new PointReference("win", Member.CONSTRUCTION, null, "x", "con-1"));
    all.add(new PointReference("a", null, null, "x", "con-1"));
    sequence("References", rooms(), out, all.toArray(Repair[]::new));
    Recorded.same("reference-repairs", out);
  }
}
