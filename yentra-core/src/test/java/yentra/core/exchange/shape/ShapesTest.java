package yentra.core.exchange.shape;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static yentra.core.Fixtures.changed;
import static yentra.core.Fixtures.rooms;

import java.io.ByteArrayOutputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Side;
import yentra.core.envelope.Storey;
import yentra.core.envelope.Surface;
import yentra.core.exchange.proof.PlainDxf;
import yentra.core.exchange.proof.PlainGltf;
import yentra.core.finding.Limits;
import yentra.core.geometry.Tolerance;

/** The shapes of two rooms, as a modelling tool sees them. */
class ShapesTest {
  private static CheckContext context(Envelope e) {
    return new CheckContext(e, Limits.STANDARD, Tolerance.standard());
  }

  private static PlainGltf gltf(Envelope e) throws Exception {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    GltfWriter.write(context(e), out);
    return PlainGltf.of(out.toByteArray());
  }

  private static PlainDxf dxf(Envelope e) throws Exception {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    DxfWriter.write(context(e), out);
    return PlainDxf.of(out.toByteArray());
  }

  @Test
  void eachRoomIsAClosedBodyOfItsOwn() throws Exception {
    Map<String, Double> volumes = gltf(rooms()).volumes();
    CheckContext c = context(rooms());
    assertThat(volumes.keySet()).containsExactlyInAnyOrder("a", "b");
    volumes.forEach(
        (room, v) -> {
          double own = c.volumes().of(room).volume();
          assertThat(v).isCloseTo(own, within(1e-6 * own));
        });
  }

  @Test
  void aFaceSaysWhatItIsAndWhatLiesBeyond() throws Exception {
    List<PlainGltf.Face> between =
        gltf(rooms()).faces().stream().filter(f -> f.name().equals("between")).toList();
    assertThat(between).extracting(f -> f.extras().get("space")).containsExactly("a", "b");
    assertThat(between).extracting(f -> f.extras().get("neighbour")).containsExactly("b", "a");
    PlainGltf.Face window =
        gltf(rooms()).faces().stream()
            .filter(f -> f.extras().containsKey("parent"))
            .findFirst()
            .orElseThrow();
    assertThat(window.extras()).containsEntry("parent", "a-south").containsEntry("space", "a");
    assertThat(window.kind()).isEqualTo("outdoor FixedWindow");
    assertThat(window.area())
        .isCloseTo(Double.parseDouble(window.extras().get("area_m2")), within(1e-5));
  }

  /** Other deliveries write the wall between two rooms once for each. */
  @Test
  void aWallThatIsWrittenTwiceIsThereOnceForEachRoom() throws Exception {
    Surface wall = rooms().surface("between").orElseThrow();
    Surface back =
        wall.with()
            .key("back")
            .polygon(wall.polygon().reversed())
            .sides(
                List.of(
                    Side.of(wall.sides().get(1).space(), null),
                    Side.of(wall.sides().get(0).space(), null)))
            .openings(List.of())
            .build();
    Envelope twice = changed("between", s -> s.with().openings(List.of()).build()).plus(back);
    Envelope once = changed("between", s -> s.with().openings(List.of()).build());
    Map<String, Double> volumes = gltf(twice).volumes();
    gltf(once)
        .volumes()
        .forEach((room, v) -> assertThat(volumes.get(room)).isCloseTo(v, within(1e-5)));
  }

  @Test
  void theRootStandsWhereTheDeliveryIs() throws Exception {
    PlainGltf g = gltf(rooms());
    assertThat(g.origin()).hasSize(3);
    double[] first = g.faces().get(0).triangles().get(0)[0];
    // y is up, z the other way round of the model's y
    assertThat(first[1] + g.origin()[1]).isBetween(-0.001, 3.001);
    assertThat(g.json().at("/asset/version").asString()).isEqualTo("2.0");
  }

  @Test
  void layersOfADrawingAreLawfulAndApart() throws Exception {
    Envelope e = rooms();
    List<Storey> named = new ArrayList<>();
    for (Storey s : e.storeys()) {
      named.add(
          new Storey(
              s.key(),
              "Étage n° 1 (rez-de-chaussée, côté mer)",
              s.level(),
              s.building(),
              s.source(),
              s.extras()));
    }
    PlainDxf d = dxf(Envelope.of(e.parts().with().storeys(named).build()));
    assertThat(d.layers()).anyMatch(l -> l.startsWith("outdoor_Etage-n-1"));
    double all = d.faces().stream().mapToDouble(PlainDxf.Face::area).sum();
    double own = e.surfaces().stream().mapToDouble(s -> s.polygon().area()).sum();
    // the rooms' faces lie in one plane, so that each wall is there once
    assertThat(all).isCloseTo(own, within(1e-6 * own));
    Map<String, Double> byLayer =
        d.faces().stream()
            .collect(
                Collectors.groupingBy(
                    PlainDxf.Face::layer, Collectors.summingDouble(PlainDxf.Face::area)));
    assertThat(byLayer.keySet()).anyMatch(l -> l.startsWith("outdoor-openings"));
  }

  @Test
  void whatHasNoFacesIsAFileAllTheSame() throws Exception {
    Envelope none = rooms().withSurfaces(List.of());
    assertThat(gltf(none).faces()).isEmpty();
    assertThat(dxf(none).faces()).isEmpty();
  }
}
