package yentra.core.repair;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static yentra.core.Fixtures.RULES;
import static yentra.core.Fixtures.TOLERANCE;
import static yentra.core.Fixtures.read;
import static yentra.core.Fixtures.rooms;
import static yentra.core.Fixtures.write;

import java.util.List;
import org.junit.jupiter.api.Test;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Glazing;
import yentra.core.envelope.Material;
import yentra.core.envelope.Naming;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.exchange.EnvelopeDifference;
import yentra.core.library.Library;
import yentra.core.repair.construction.AmendGlazing;
import yentra.core.repair.construction.ConstructionSpec;
import yentra.core.repair.construction.ConstructionSpec.LayerSpec;
import yentra.core.repair.construction.CorrectUValue;
import yentra.core.repair.construction.GiveConstruction;
import yentra.core.repair.construction.MakeMassless;
import yentra.core.repair.construction.MergeThinLayer;
import yentra.core.repair.construction.ReplaceConstruction;
import yentra.core.repair.construction.ReverseLayers;
import yentra.core.thermal.BuildUp;
import yentra.core.thermal.CorrectedUValue;
import yentra.core.thermal.HeatCapacity;
import yentra.core.thermal.SurfaceResistances;
import yentra.core.thermal.UValueBreakdown;
import yentra.core.thermal.UValueCorrection;

/** Repairs of thermal properties: what they keep, and that gbXML carries what they make. */
class ThermalRepairsTest {
  private static final Library LIBRARY = Library.shipped();

  private static ConstructionSpec shipped(String name) {
    return ConstructionSpec.of(LIBRARY, LIBRARY.construction(name).orElseThrow());
  }

  private static Envelope after(Envelope e, Repair r) throws Exception {
    return r.apply(e, RULES);
  }

  private static void comesBackEqual(Envelope e) throws Exception {
    assertThat(EnvelopeDifference.between(e, read(write(e)), TOLERANCE)).isEmpty();
  }

  private static Envelope withFoil() throws Exception {
    return after(
        rooms(),
        new ReplaceConstruction(
            "con-1",
            new ConstructionSpec(
                null,
                "Wall with a foil",
                List.of(
                    new LayerSpec("Brick", 0.3, 0.8, 1800.0, 900.0, null, null),
                    new LayerSpec("Foil", 0.0005, 0.9, 1000.0, 1200.0, null, null),
                    new LayerSpec("Plaster", 0.015, 0.57, 1300.0, 1000.0, null, null)),
                null,
                "")));
  }

  @Test
  void oneSourceTypeIsOverriddenForAllOfItsElements() throws Exception {
    Envelope e =
        after(
            rooms(),
            new ReplaceConstruction("con-1", shipped("Cavity wall, brick and block, 100 mm wool")));
    assertThat(e.surfaces())
        .allSatisfy(
            s ->
                assertThat(s.construction())
                    .isEqualTo("con_Cavity-wall-brick-and-block-100-mm-wool"));
    // nothing of the old one is left behind
    assertThat(e.constructions()).hasSize(1);
    assertThat(e.materials()).noneMatch(m -> m.key().equals("mat-1"));
    assertThat(
            BuildUp.all(e)
                .get(e.surfaces().get(0).construction())
                .uValue(SurfaceResistances.outdoor(90))
                .orElseThrow())
        .isCloseTo(
            1 / (0.17 + 0.1025 / 0.77 + 0.1 / 0.036 + 0.1 / 0.15 + 0.013 / 0.57), within(1e-9));
    comesBackEqual(e);
  }

  @Test
  void theSameConstructionIsNotMadeTwice() throws Exception {
    ConstructionSpec roof = shipped("Flat timber roof, 240 mm wool");
    Envelope e = after(rooms(), new GiveConstruction(List.of("a-roof"), roof));
    e = after(e, new GiveConstruction(List.of("b-roof"), roof));
    assertThat(e.constructions()).hasSize(2);
    assertThat(e.surface("a-roof").orElseThrow().construction())
        .isEqualTo(e.surface("b-roof").orElseThrow().construction());
    comesBackEqual(e);
  }

  @Test
  void aThinLayerGoesIntoItsNeighbourAndKeepsResistanceAndMass() throws Exception {
    Envelope before = withFoil();
    String c = before.surfaces().get(0).construction();
    Envelope e = after(before, new MergeThinLayer("mat_Foil"));
    BuildUp a = BuildUp.all(before).get(c);
    BuildUp b = BuildUp.all(e).get(c);
    assertThat(b.materials()).hasSize(2);
    assertThat(b.resistance().orElseThrow()).isCloseTo(a.resistance().orElseThrow(), within(1e-12));
    assertThat(b.thickness().orElseThrow()).isCloseTo(a.thickness().orElseThrow(), within(1e-12));
    assertThat(HeatCapacity.whole(b).orElseThrow())
        .isCloseTo(HeatCapacity.whole(a).orElseThrow(), within(1e-6));
    assertThat(e.materials()).noneMatch(m -> m.name().equals("Foil"));
    comesBackEqual(e);
  }

  @Test
  void withoutMassTheResistanceStays() throws Exception {
    Envelope before = withFoil();
    String c = before.surfaces().get(0).construction();
    Envelope e = after(before, new MakeMassless(c));
    BuildUp b = BuildUp.all(e).get(e.surfaces().get(0).construction());
    assertThat(b.materials()).singleElement().extracting(Material::thickness).isNull();
    assertThat(b.resistance().orElseThrow())
        .isCloseTo(BuildUp.all(before).get(c).resistance().orElseThrow(), within(1e-12));
    comesBackEqual(e);
  }

  @Test
  void theOtherWayRoundAndBack() throws Exception {
    Envelope before = withFoil();
    String c = before.surfaces().get(0).construction();
    Envelope once = after(before, new ReverseLayers(c));
    assertThat(BuildUp.all(once).get(c).materials().get(0).name()).isEqualTo("Plaster");
    assertThat(BuildUp.all(after(once, new ReverseLayers(c))).get(c).materials())
        .isEqualTo(BuildUp.all(before).get(c).materials());
  }

  @Test
  void materialsSideBySideGoOutAndComeBack() throws Exception {
    Envelope e =
        after(
            rooms(),
            new GiveConstruction(
                List.of("b-east"),
                new ConstructionSpec(
                    null,
                    "Timber frame",
                    List.of(
                        new LayerSpec("Board", 0.009, 0.13, 500.0, 1600.0, null, null),
                        new LayerSpec("Wool", 0.14, 0.035, 30.0, 1030.0, null, 0.85),
                        new LayerSpec("Stud", 0.14, 0.13, 500.0, 1600.0, null, 0.15)),
                    null,
                    "")));
    comesBackEqual(e);
    BuildUp b = BuildUp.all(read(write(e))).get("con_Timber-frame");
    UValueBreakdown u = UValueBreakdown.of(b, UValueBreakdown.Position.WALL);
    assertThat(u.upper()).isGreaterThan(u.lower());
    assertThat(u.uValue()).isCloseTo(2 / (u.upper() + u.lower()), within(1e-12));
    assertThat(u.steps()).extracting(UValueBreakdown.Step::clause).contains("ISO 6946, 6.7.2");
    assertThatThrownBy(
            () ->
                after(
                    rooms(),
                    new GiveConstruction(
                        List.of("b-east"),
                        new ConstructionSpec(
                            null,
                            "Half a layer",
                            List.of(new LayerSpec("Wool", 0.1, 0.035, null, null, null, 0.5)),
                            null,
                            ""))))
        .hasMessageContaining("do not add up to 1");
  }

  @Test
  void aWindowTypeWithOtherValuesWritesThemAndNotTheOldOnes() throws Exception {
    Envelope e = after(read(write(rooms())), new AmendGlazing("glass-1", 1.1, 0.4, 0.6, "by hand"));
    comesBackEqual(e);
    Glazing g = read(write(e)).glazings().get(0);
    assertThat(g.uValue()).isEqualTo(1.1);
    assertThat(g.solarHeatGain()).isEqualTo(0.4);
    assertThat(g.visibleTransmittance()).isEqualTo(0.6);
    assertThatThrownBy(() -> after(e, new AmendGlazing("glass-1", null, 40.0, null, null)))
        .hasMessageContaining("between 0 and 1");
  }

  @Test
  void anAirLayerHasTheResistanceOfItsThicknessAndDirection() throws Exception {
    Envelope e =
        after(
            rooms(),
            new GiveConstruction(
                List.of("b-east", "b-roof"),
                new ConstructionSpec(
                    null,
                    "With a cavity",
                    List.of(
                        new LayerSpec("Brick", 0.1, 0.8, 1800.0, 900.0, null, null),
                        new LayerSpec("Air cavity", 0.05, null, null, null, null, null)),
                    null,
                    "")));
    BuildUp b = BuildUp.all(e).get("con_With-a-cavity");
    double brick = 0.1 / 0.8;
    UValueBreakdown wall = UValueBreakdown.of(b, UValueBreakdown.Position.WALL);
    assertThat(wall.resistance()).isCloseTo(0.13 + brick + 0.18 + 0.04, within(1e-12));
    assertThat(wall.assumptions()).singleElement().asString().contains("not ventilated");
    UValueBreakdown roof =
        UValueBreakdown.of(b, UValueBreakdown.Position.of(e, e.surface("b-roof").orElseThrow(), 0));
    assertThat(roof.resistance()).isCloseTo(0.10 + brick + 0.16 + 0.04, within(1e-12));
  }

  private static Envelope cavityWall(boolean air) throws Exception {
    List<LayerSpec> layers = new java.util.ArrayList<>();
    layers.add(new LayerSpec("Brick", 0.1025, 0.77, 1700.0, 800.0, null, null));
    if (air) {
      layers.add(new LayerSpec("Air layer", 0.05, null, null, null, null, null));
    }
    layers.add(new LayerSpec("Wool", 0.1, 0.035, 25.0, 1000.0, null, null));
    layers.add(new LayerSpec("Block", 0.1, 0.15, 600.0, 1000.0, null, null));
    layers.add(new LayerSpec("Plaster", 0.013, 0.57, 1300.0, 1000.0, null, null));
    return after(
        rooms(),
        new ReplaceConstruction(
            "con-1", new ConstructionSpec(null, "Cavity wall", layers, null, "")));
  }

  private static double stated(Envelope e) {
    return e.constructions().get(0).uValue();
  }

  /** ISO 6946 annex F: R 3.8497334245, gaps of level 1, 2.5 steel ties of 12.5 mm² per m². */
  @Test
  void gapsAndFastenersAreAddedToTheLayersUValue() throws Exception {
    // only walls have it, so that the place is a wall
    Envelope e = cavityWall(false);
    for (String s : List.of("a-roof", "b-roof", "a-floor", "b-floor")) {
      e = e.replacing(s, x -> x.withConstruction(null));
    }
    String key = e.constructions().get(0).key();
    CorrectUValue r =
        new CorrectUValue(
            key,
            null,
            UValueCorrection.AirGaps.BRIDGING,
            new CorrectedUValue.Fasteners(2.5, 12.5e-6, 17, null));
    Envelope then = after(e, r);
    assertThat(stated(then)).isCloseTo(0.2676073021, within(1e-9));
    assertThat(r.describe(e, then, new Naming(e, SurfaceTypes.STANDARD)))
        .contains(
            "from 0.260 W/m²K to 0.268 W/m²K",
            "gaps in the insulation +0.0055",
            "fasteners +0.0023");
    comesBackEqual(then);
    Envelope walls = e;
    assertThatThrownBy(
            () ->
                after(
                    walls,
                    new CorrectUValue(
                        key, null, null, new CorrectedUValue.Fasteners(2.5, 12.5e-6, 17, null))))
        .hasMessageContaining("below 3 %");
  }

  /** ISO 6946, 6.9.3: halfway between not and well ventilated the mean of the two resistances. */
  @Test
  void anAirLayerWithOpeningsResistsLess() throws Exception {
    Envelope e = cavityWall(true);
    for (String s : List.of("a-roof", "b-roof", "a-floor", "b-floor")) {
      e = e.replacing(s, x -> x.withConstruction(null));
    }
    String key = e.constructions().get(0).key();
    assertThat(1 / stated(after(e, new CorrectUValue(key, 1000.0, null, null))))
        .isCloseTo(3.9181749829, within(5e-10));
    assertThat(1 / stated(after(e, new CorrectUValue(key, 1500.0, null, null))))
        .isCloseTo(3.8066165414, within(5e-10));
  }

  @Test
  void whatCannotBeCorrectedIsRefusedWithTheReason() throws Exception {
    Envelope e = cavityWall(false);
    String key = e.constructions().get(0).key();
    assertThatThrownBy(() -> after(e, new CorrectUValue(key, 800.0, null, null)))
        .hasMessageContaining("air layer");
    assertThatThrownBy(() -> after(e, new CorrectUValue(key, null, null, null)))
        .hasMessageContaining("what the U-value is corrected for");
    assertThatThrownBy(
            () ->
                after(
                    e,
                    new CorrectUValue(
                        key, null, null, new CorrectedUValue.Fasteners(4, -1, 50, null))))
        .hasMessageContaining("fasteners per m²");
    assertThatThrownBy(() -> after(e, new CorrectUValue("gone", 800.0, null, null)))
        .hasMessageContaining("no longer there");
  }
}
