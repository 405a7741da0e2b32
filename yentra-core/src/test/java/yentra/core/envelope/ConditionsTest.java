package yentra.core.envelope;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static yentra.core.Fixtures.rooms;
import static yentra.core.Fixtures.v;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import yentra.core.envelope.InternalGains.GainSchedules;
import yentra.core.envelope.Space.AirExchange;
import yentra.core.envelope.Zone.ZoneAir;
import yentra.core.geometry.Polygon;

/** What is stated for spaces and zones, what fills it in, and the types that gbXML has. */
class ConditionsTest {
  @ParameterizedTest
  @CsvSource({
    "Heated, HEATED, true, false",
    "HeatedOnly, HEATED, true, false",
    "Cooled, COOLED, false, true",
    "HeatedAndCooled, BOTH, true, true",
    "Unconditioned, NONE, false, false",
    "NaturallyVentedOnly, NONE, false, false",
    "Vented, NONE, false, false",
    "'', UNKNOWN, false, false",
    "Other, UNKNOWN, false, false"
  })
  void conditions(String text, Conditions c, boolean heated, boolean cooled) {
    assertThat(Conditions.of(text)).isEqualTo(c);
    assertThat(c.heated()).isEqualTo(heated);
    assertThat(c.cooled()).isEqualTo(cooled);
    assertThat(c.conditioned()).isEqualTo(heated || cooled);
    assertThat(c.label()).isNotBlank();
  }

  private static final InternalGains OWN =
      new InternalGains(3.0, null, 75.0, null, 8.0, null, new GainSchedules("p", null, null));
  private static final InternalGains USUAL =
      new InternalGains(null, 10.0, 70.0, 45.0, 9.0, 12.0, new GainSchedules("q", "l", "e"));

  @Test
  void peopleAreToldByNumberOrByArea() {
    assertThat(OWN.people(50)).isEqualTo(3);
    assertThat(USUAL.people(50)).isEqualTo(5);
    assertThat(InternalGains.NONE.people(50)).isZero();
    assertThat(new InternalGains(null, 0.0, null, null, null, null).people(50)).isZero();
    assertThat(new InternalGains(null, -1.0, null, null, null, null).people(50)).isZero();
  }

  @Test
  void whatIsStatedGoesBeforeWhatIsUsual() {
    assertThat(OWN.over(USUAL))
        .isEqualTo(
            new InternalGains(3.0, null, 75.0, 45.0, 8.0, 12.0, new GainSchedules("p", "l", "e")));
    assertThat(USUAL.over(OWN))
        .isEqualTo(
            new InternalGains(null, 10.0, 70.0, 45.0, 9.0, 12.0, new GainSchedules("q", "l", "e")));
    assertThat(InternalGains.NONE.over(USUAL)).isEqualTo(USUAL);
  }

  @Test
  void whatIsAlikeNeedsNotBeSaidTwice() {
    assertThat(OWN.over(USUAL).without(USUAL))
        .isEqualTo(
            new InternalGains(
                3.0, null, 75.0, null, 8.0, null, new GainSchedules("p", null, null)));
    assertThat(USUAL.without(USUAL)).isEqualTo(InternalGains.NONE);
    assertThat(USUAL.without(InternalGains.NONE)).isEqualTo(USUAL);
    assertThat(OWN.withSchedules(GainSchedules.NONE).schedules()).isEqualTo(GainSchedules.NONE);
    assertThat(new InternalGains(1.0, null, null, null, null, null, null).schedules())
        .isEqualTo(GainSchedules.NONE);
  }

  private static final ZoneAir AIR = new ZoneAir(10.0, null, 5.0, 30.0, null, 0.5);
  private static final ZoneAir OTHER = new ZoneAir(8.0, 0.7, 4.0, 30.0, 60.0, 0.4);

  @Test
  void airOfZones() {
    assertThat(AIR.flow(2, 100)).isEqualTo(25);
    assertThat(OTHER.flow(2, 100)).isCloseTo(16 + 70 + 4, within(1e-12));
    assertThat(ZoneAir.NONE.flow(2, 100)).isZero();
    assertThat(AIR.over(OTHER)).isEqualTo(new ZoneAir(10.0, 0.7, 5.0, 30.0, 60.0, 0.5));
    assertThat(AIR.without(OTHER)).isEqualTo(new ZoneAir(10.0, null, 5.0, null, null, 0.5));
    assertThat(AIR.without(AIR)).isNull();
    assertThat(new ZoneAir(1.0, 2.0, 3.0, 4.0, 5.0).changes()).isNull();
  }

  @Test
  void airThroughJoints() {
    AirExchange flow = AirExchange.NONE.withFlow(20.0);
    // 20 l/s are 72 m³/h
    assertThat(flow.changes(144)).isEqualTo(0.5);
    assertThat(flow.changes(0)).isNull();
    assertThat(AirExchange.NONE.changes(144)).isNull();
    assertThat(flow.withChanges(0.8).changes(144)).isEqualTo(0.8);
    assertThat(flow.withChanges(0.8).flow()).isEqualTo(20);
  }

  @ParameterizedTest
  @EnumSource
  void surfaceTypes(SurfaceType t) {
    if (t != SurfaceType.UNRESOLVED) {
      assertThat(SurfaceType.fromGbxml(t.gbxml())).contains(t);
    }
    assertThat(t.label()).isNotBlank();
    Exposure e = t.exposure();
    assertThat(t.isGround()).isEqualTo(e == Exposure.GROUND);
    assertThat(t.isExterior()).isEqualTo(e == Exposure.GROUND || e == Exposure.OUTDOOR);
    assertThat(t.isInterior()).isEqualTo(e == Exposure.SPACE || t == SurfaceType.AIR);
    assertThat(t.isShading())
        .isEqualTo(t == SurfaceType.SHADE || t == SurfaceType.FREESTANDING_COLUMN);
  }

  @ParameterizedTest
  @EnumSource
  void openingTypes(OpeningType t) {
    if (t != OpeningType.UNRESOLVED) {
      assertThat(OpeningType.fromGbxml(t.gbxml())).contains(t);
    }
    assertThat(t.label()).isNotBlank();
    assertThat(t.isHole()).isEqualTo(t == OpeningType.AIR);
    assertThat(t.isGlazed())
        .isEqualTo(
            switch (t) {
              case FIXED_WINDOW, OPERABLE_WINDOW, FIXED_SKYLIGHT, OPERABLE_SKYLIGHT, SLIDING_DOOR ->
                  true;
              case NON_SLIDING_DOOR, AIR, UNRESOLVED -> false;
            });
  }

  @Test
  void noTypeHasNoName() {
    assertThat(SurfaceType.fromGbxml("")).isEmpty();
    assertThat(SurfaceType.fromGbxml("Wall")).isEmpty();
    assertThat(OpeningType.fromGbxml("")).isEmpty();
    assertThat(OpeningType.fromGbxml("Window")).isEmpty();
  }

  private static final SurfaceTypes TYPES = new SurfaceTypes(50, 130);

  @Test
  void tiltsTellTypesByTheLimitsGiven() {
    assertThat(TYPES.outdoor(49.9)).isEqualTo(SurfaceType.ROOF);
    assertThat(TYPES.outdoor(50)).isEqualTo(SurfaceType.EXTERIOR_WALL);
    assertThat(TYPES.outdoor(130)).isEqualTo(SurfaceType.EXTERIOR_WALL);
    assertThat(TYPES.outdoor(130.1)).isEqualTo(SurfaceType.EXPOSED_FLOOR);
    assertThat(TYPES.betweenSpaces(0)).isEqualTo(SurfaceType.CEILING);
    assertThat(TYPES.betweenSpaces(90)).isEqualTo(SurfaceType.INTERIOR_WALL);
    assertThat(TYPES.betweenSpaces(180)).isEqualTo(SurfaceType.INTERIOR_FLOOR);
    assertThat(TYPES.ground(0, 1)).isEqualTo(SurfaceType.UNDERGROUND_CEILING);
    assertThat(TYPES.ground(90, 1)).isEqualTo(SurfaceType.UNDERGROUND_WALL);
    assertThat(TYPES.ground(180, 0.6)).isEqualTo(SurfaceType.SLAB_ON_GRADE);
    assertThat(TYPES.ground(180, 0.61)).isEqualTo(SurfaceType.UNDERGROUND_SLAB);
    assertThat(TYPES.isUpright(90)).isTrue();
    assertThat(TYPES.isUpright(49)).isFalse();
    assertThat(TYPES.isFloor(131)).isTrue();
    assertThat(TYPES.isFloor(130)).isFalse();
  }

  @ParameterizedTest
  @CsvSource({"0,120", "90,120", "60,90", "60,180", "NaN,120", "60,NaN"})
  void limitsThatMakeNoSense(double roof, double floor) {
    assertThatThrownBy(() -> new SurfaceTypes(roof, floor))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("90°");
  }

  private static Polygon level(double z, boolean up) {
    Polygon p = Polygon.of(v(0, 0, z), v(4, 0, z), v(4, 3, z), v(0, 3, z));
    return up ? p : p.reversed();
  }

  private static Polygon wall(double z0, double z1) {
    return Polygon.of(v(0, 0, z0), v(4, 0, z0), v(4, 0, z1), v(0, 0, z1));
  }

  /** Floors touch the ground from 0.3 m above it, walls and roofs from 0.3 m under it. */
  @Test
  void thePlaceTellsWhatTouchesTheGround() {
    assertThat(TYPES.exterior(level(0.29, false), 0)).isEqualTo(SurfaceType.SLAB_ON_GRADE);
    assertThat(TYPES.exterior(level(0.31, false), 0)).isEqualTo(SurfaceType.EXPOSED_FLOOR);
    assertThat(TYPES.exterior(level(-0.7, false), 0)).isEqualTo(SurfaceType.UNDERGROUND_SLAB);
    assertThat(TYPES.exterior(level(-0.31, true), 0)).isEqualTo(SurfaceType.UNDERGROUND_CEILING);
    assertThat(TYPES.exterior(level(-0.29, true), 0)).isEqualTo(SurfaceType.ROOF);
    // a wall by its middle
    assertThat(TYPES.exterior(wall(-2.7, 2), 0)).isEqualTo(SurfaceType.UNDERGROUND_WALL);
    assertThat(TYPES.exterior(wall(-2.5, 2), 0)).isEqualTo(SurfaceType.EXTERIOR_WALL);
  }

  @Test
  void usesThatNoReaderWouldKnow() {
    Envelope e = rooms();
    Envelope own =
        e.withSpaces(
            List.of(
                e.spaces().get(0).with().use("Boat hall").build(),
                e.spaces().get(1).with().use("Boat hall").build()));
    assertThat(StandardUses.spaces()).contains("OfficeEnclosed");
    assertThat(StandardUses.buildings()).contains("Office", "Warehouse").hasSize(35);
    assertThat(StandardUses.unknown(e, e)).isEmpty();
    assertThat(StandardUses.unknown(own, e))
        .containsExactly("The use Boat hall of 2 spaces is not in the list of gbXML.");
    assertThat(
            StandardUses.unknown(
                e.withSpaces(List.of(e.spaces().get(0).with().use("Boat hall").build())), e))
        .containsExactly("The use Boat hall of West is not in the list of gbXML.");
    // what the file says itself is left to it
    assertThat(StandardUses.unknown(own, own)).isEmpty();
    Building b = e.buildings().get(0);
    Envelope house =
        e.withBuildings(
            List.of(new Building(b.key(), b.name(), "Lifeboats", null, b.source(), b.extras())));
    assertThat(StandardUses.unknown(house, e))
        .containsExactly("The use Lifeboats of the building is not in the list of gbXML.");
  }

  @Test
  void whatAFileHeldBesides() {
    Extras.Attribute a = new Extras.Attribute("", "", "ifcGUID", "x");
    Extras.Attribute p = new Extras.Attribute("xml", "ns", "lang", "en");
    Extras.Attribute q = new Extras.Attribute("x", "ns", "ifcGUID", "y");
    Extras all =
        new Extras(
            List.of(a, p, q), List.of("<b/>"), List.of(new Extras.Child("Area", List.of(a))));
    assertThat(all.isEmpty()).isFalse();
    assertThat(Extras.NONE.isEmpty()).isTrue();
    assertThat(new Extras(List.of(a), List.of()).isEmpty()).isFalse();
    assertThat(new Extras(List.of(), List.of("<b/>")).isEmpty()).isFalse();
    assertThat(
            new Extras(List.of(), List.of(), List.of(new Extras.Child("c", List.of()))).isEmpty())
        .isFalse();
    assertThat(all.of("Area")).containsExactly(a);
    assertThat(all.of("Volume")).isEmpty();
    Extras less = all.withoutAttribute("ifcGUID");
    assertThat(less.attributes()).containsExactly(p, q);
    assertThat(less.fragments()).containsExactly("<b/>");
    assertThat(less.of("Area")).containsExactly(a);
  }
}
