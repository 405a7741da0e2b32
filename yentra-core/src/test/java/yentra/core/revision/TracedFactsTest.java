package yentra.core.revision;

import static org.assertj.core.api.Assertions.assertThat;
import static yentra.core.Fixtures.rooms;
import static yentra.core.Fixtures.source;
import static yentra.core.Fixtures.v;
import static yentra.core.Fixtures.window;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Extras;
import yentra.core.envelope.Layer;
import yentra.core.envelope.Material;
import yentra.core.envelope.Naming;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.geometry.Polygon;
import yentra.core.revision.MessageTrace.Hit;

/** What is said of each kind of object that a message names. The messages are made up. */
class TracedFactsTest {
  private static List<Hit> trace(Envelope e, Envelope before, String text) {
    return new MessageTrace(e, new Naming(e, SurfaceTypes.STANDARD), List.of(), before)
        .of(text)
        .hits();
  }

  private static Hit only(Envelope e, String text) {
    List<Hit> hits = trace(e, null, text);
    assertThat(hits).hasSize(1);
    return hits.get(0);
  }

  @Test
  void aSpace() {
    Hit h = only(rooms(), "error in East");
    assertThat(h.kind() + " " + h.key() + " " + h.title()).isEqualTo("space b East");
    assertThat(h.facts()).containsExactly("Space, Ground floor.", "6 surfaces bound it.");
    assertThat(h.select()).containsExactly("b");
    Envelope one =
        rooms()
            .withSurfaces(
                rooms().surfaces().stream().filter(s -> s.key().equals("b-roof")).toList());
    assertThat(only(one, "error in East").facts())
        .containsExactly("Space, Ground floor.", "1 surface bounds it.");
    Envelope nowhere =
        one.withSpaces(one.spaces().stream().map(s -> s.with().storey(null).build()).toList());
    assertThat(only(nowhere, "error in East").facts().get(0)).isEqualTo("Space.");
  }

  @Test
  void aSurface() {
    Hit h = only(rooms(), "error in b-east");
    assertThat(h.title()).isEqualTo("East wall of East");
    assertThat(h.facts())
        .containsExactly(
            "Exterior wall of 15.00 m², Ground floor.",
            "Faces outdoor air.",
            "Brick wall, 1 layer, 0.300 m: Brick 0.300 m.",
            "From Surface b-east, line 7.");
    Envelope e =
        rooms()
            .replacing(
                "b-east",
                s ->
                    s.with()
                        .sides(List.of())
                        .construction("con-9")
                        .element(new SourceRef("IfcWall", "0xY", "Gable", 0, 0))
                        .build());
    assertThat(only(e, "error in b-east").facts())
        .contains("Exterior wall of 15.00 m².", "No construction.", "From IfcWall “Gable” 0xY.");
    Envelope bare = rooms().replacing("b-east", s -> s.with().construction(null).build());
    assertThat(only(bare, "error in b-east").facts()).contains("No construction.");
  }

  @Test
  void anOpening() {
    Hit h = only(rooms(), "error in win");
    assertThat(h.title()).isEqualTo("Window in the south wall of West");
    assertThat(h.facts())
        .containsExactly("Window of 2.40 m².", "Window type glass-1.", "From Opening win, line 7.");
    assertThat(h.select()).containsExactly("win");
    Envelope e =
        rooms()
            .replacing(
                "a-south",
                s ->
                    s.withOpenings(
                        s.openings().stream()
                            .map(
                                o ->
                                    o.with()
                                        .glazing(null)
                                        .element(new SourceRef("IfcWindow", "9", "", 4, 0))
                                        .build())
                            .toList()));
    assertThat(only(e, "error in win").facts())
        .containsExactly("Window of 2.40 m².", "From IfcWindow 9, line 4.");
    Polygon p = Polygon.of(v(1, 0, 1), v(2, 0, 1), v(2, 0, 2), v(1, 0, 2));
    Envelope stray = rooms().withOrphans(List.of(window("lost-pane", p)));
    assertThat(only(stray, "error in lost-pane").key()).isEqualTo("lost-pane");
  }

  @Test
  void aConstruction() {
    Hit h = only(rooms(), "error in con-1");
    assertThat(h.title()).isEqualTo("Brick wall");
    assertThat(h.facts())
        .containsExactly("Brick wall, 1 layer, 0.300 m: Brick 0.300 m.", "11 surfaces have it.");
    assertThat(h.select()).hasSize(11).contains("between");
    assertThat(only(rooms(), "error in Brick wall").key()).isEqualTo("con-1");
    Envelope one =
        rooms()
            .withSurfaces(
                rooms().surfaces().stream().filter(s -> s.key().equals("b-roof")).toList());
    assertThat(only(one, "error in con-1").facts()).contains("1 surface has it.");
    Envelope e = rooms();
    Envelope empty = e.withConstructions(e.constructions(), List.of(), List.of());
    assertThat(only(empty, "error in con-1").facts()).contains("Brick wall, without layers.");
  }

  /** Two layers, the inner one of two materials beside each other, one of them unknown. */
  private static Envelope layered() {
    Envelope e = rooms();
    SourceRef s = source("Layer", "x");
    Layer out = new Layer("lay-1", "", List.of("mat-1"), s, Extras.NONE);
    Layer in = new Layer("lay-2", "Studs", List.of("mat-2", "mat-9"), s, Extras.NONE);
    Material wool = new Material("mat-2", "Wool", null, 0.035, null, null, 3.5, s, Extras.NONE);
    Construction c =
        new Construction(
            "con-1", "Framed wall", List.of("lay-1", "lay-2", "lay-7"), null, s, Extras.NONE);
    return e.withConstructions(List.of(c), List.of(out, in), List.of(e.materials().get(0), wool));
  }

  @Test
  void layersAndMaterials() {
    Hit studs = only(layered(), "error in lay-2");
    assertThat(studs.kind()).isEqualTo("layer");
    assertThat(studs.title()).isEqualTo("Studs");
    assertThat(studs.facts())
        .containsExactly(
            "Layer 2 of Framed wall, counted from outside.",
            "11 surfaces have it.",
            "Wool: conductivity 0.035 W/mK, resistance 3.5000 m²K/W.");
    assertThat(only(layered(), "error in lay-1").title()).isEqualTo("Brick");
    Hit wool = only(layered(), "error in mat-2");
    assertThat(wool.kind() + " " + wool.title()).isEqualTo("material Wool");
    assertThat(wool.facts()).contains("Layer 2 of Framed wall, counted from outside.");
    Hit brick = only(layered(), "error in mat-1");
    assertThat(brick.facts()).contains("Layer 1 of Framed wall, counted from outside.");
    assertThat(only(layered(), "error in con-1").facts())
        .contains("Framed wall, 3 layers, 0.300 m: Brick 0.300 m; Wool; mat-9.");
    // a material that nothing has
    Envelope e = layered();
    List<Material> more = new ArrayList<>(e.materials());
    more.add(
        new Material("mat-5", "Cork", null, null, null, null, null, source("x", "y"), Extras.NONE));
    Envelope f = e.withConstructions(e.constructions(), e.layers(), more);
    assertThat(only(f, "error in mat-5").facts()).containsExactly("Cork: no properties.");
    assertThat(only(f, "error in mat-5").select()).isEmpty();
  }

  @Test
  void layersByTheirPlace() {
    List<Hit> hits = trace(layered(), null, "error, layer 3 of con-1: unknown");
    assertThat(hits).extracting(Hit::kind).containsExactly("construction", "layer");
    assertThat(hits.get(1).facts())
        .contains(
            "Layer 3 of Framed wall, counted from outside.", "The material mat-9 is not defined.");
  }

  @Test
  void windowTypesZonesAndStoreys() {
    Hit glass = only(rooms(), "error in glass-1");
    assertThat(glass.title()).isEqualTo("Double glazing");
    assertThat(glass.facts()).containsExactly("1 opening has it.");
    assertThat(glass.select()).containsExactly("win");
    Envelope none = rooms().replacing("a-south", s -> s.withOpenings(List.of()));
    assertThat(only(none, "error in Double glazing").facts())
        .containsExactly("0 openings have it.");
    Hit zone = only(rooms(), "error in z-1");
    assertThat(zone.title()).isEqualTo("House");
    assertThat(zone.facts()).containsExactly("Zone of 2 spaces.");
    assertThat(zone.select()).containsExactly("a", "b");
    assertThat(only(rooms(), "error in House").kind()).isEqualTo("zone");
    Hit storey = only(rooms(), "error on the Ground floor");
    assertThat(storey.title()).isEqualTo("Ground floor");
    assertThat(storey.facts()).containsExactly("Storey of 2 spaces.");
    Envelope apart =
        rooms()
            .withSpaces(
                List.of(
                    rooms().spaces().get(0),
                    rooms().spaces().get(1).with().zone(null).storey("x").build()));
    assertThat(only(apart, "error in z-1").facts()).containsExactly("Zone of 1 space.");
    assertThat(only(apart, "error in z-1").select()).containsExactly("a");
    assertThat(only(apart, "error, Ground floor").select()).containsExactly("a");
  }

  @Test
  void namesOfTheLastHandoverCountWhereNothingHasThemNow() {
    Envelope before =
        rooms()
            .withSpaces(
                rooms().spaces().stream()
                    .map(s -> s.key().equals("b") ? s.with().name("Sail loft").build() : s)
                    .toList());
    Envelope now = rooms().withSpaces(List.of(rooms().spaces().get(0)));
    List<Hit> hits = trace(now, before, "error in Sail loft and West");
    assertThat(hits).extracting(Hit::key).containsExactly("b", "a");
    assertThat(hits.get(0).title()).isEqualTo("Space b");
    assertThat(hits.get(0).facts().get(0)).startsWith("It was in the file that was handed over");
    assertThat(hits.get(1).facts()).doesNotContain(hits.get(0).facts().get(0));
    Envelope fewer = rooms().replacing("a-south", s -> s.withOpenings(List.of()));
    assertThat(trace(fewer, rooms(), "error in win").get(0).facts().get(0))
        .startsWith("It was in the file");
    assertThat(trace(rooms(), rooms(), "error in win")).hasSize(1);
  }

  @Test
  void idsOfTheArchitectsFileLeadThere() {
    Envelope e =
        rooms()
            .replacing(
                "b-east",
                s ->
                    s.with()
                        .element(new SourceRef("IfcWall", "2xWallGuid77", "Gable", 3, 0))
                        .build());
    assertThat(only(e, "wall 2xWallGuid77 is odd").key()).isEqualTo("b-east");
    assertThat(only(e, "Gable is odd").key()).isEqualTo("b-east");
    Envelope named = rooms().replacing("b-east", s -> s.with().name("Sea wall").build());
    assertThat(only(named, "Sea wall is odd").key()).isEqualTo("b-east");
  }

  /** Plain numbers and two letters are no name, or every line would name something. */
  @Test
  void whatIsNoName() {
    Envelope e =
        rooms()
            .withSpaces(
                List.of(
                    rooms().spaces().get(0).withName("12"),
                    rooms().spaces().get(1).withName("WC")));
    assertThat(trace(e, null, "12 errors in WC")).isEmpty();
  }
}
