package yentra.core.scope;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import yentra.core.Fixtures;
import yentra.core.envelope.SourceRef;
import yentra.core.geometry.Polygon;
import yentra.core.model.ArchitecturalModel;
import yentra.core.model.Body;
import yentra.core.model.Classification;
import yentra.core.model.Element;
import yentra.core.model.Property;
import yentra.core.model.PropertySet;
import yentra.core.model.PropertyValue;

/** What a storey's walls, windows and doors measure is held against what they state. */
class StoreyCountsTest {
  private final Model model = new Model();

  @Test
  void aWallCountsWithOneOfItsUprightSides() {
    // thicker than high: its top is the largest face of all
    model.add(
        "IfcWallStandardCase", "Ground floor", Fixtures.box(0, 0, 0, 6, 4, 1), "NetSideArea", 6);
    assertThat(rows()).hasSize(1);
    StoreyCounts.Row r = rows().get(0);
    assertThat(r.kind()).isEqualTo(StoreyCounts.Kind.WALL);
    assertThat(r.statedArea()).isEqualTo(6);
    assertThat(r.measuredArea()).isCloseTo(6, within(1e-9));
  }

  @Test
  void aSideOfSeveralFacesIsTheirSum() {
    List<Polygon> step = new java.util.ArrayList<>(Fixtures.box(0, 0, 0, 4, 0.3, 3));
    step.addAll(Fixtures.box(4, 0, 0, 6, 0.3, 2));
    model.add("IfcWall", "Ground floor", step, "NetSideArea", 16);
    assertThat(rows().get(0).measuredArea()).isCloseTo(4 * 3 + 2 * 2, within(1e-9));
  }

  @Test
  void aLeaningFaceIsNoSideOfAWall() {
    List<Polygon> faces =
        List.of(
            Polygon.of(
                Fixtures.v(0, 0, 0), Fixtures.v(9, 0, 0), Fixtures.v(9, 9, 9), Fixtures.v(0, 9, 9)),
            Polygon.of(
                Fixtures.v(0, 0, 0),
                Fixtures.v(3, 0, 0),
                Fixtures.v(3, 0, 2),
                Fixtures.v(0, 0, 2)));
    model.add("IfcWall", "Attic", faces, "NetSideArea", 6);
    assertThat(rows().get(0).measuredArea()).isCloseTo(6, within(1e-9));
  }

  @Test
  void aWindowCountsWithItsLargestFaceHoweverItLies() {
    model.add("IfcWindow", "Attic", Fixtures.box(0, 0, 0, 2, 1.5, 0.1), "Area", 3);
    assertThat(rows().get(0).measuredArea()).isCloseTo(3, within(1e-9));
  }

  @Test
  void whatStatesNothingIsCountedButNotMeasured() {
    model.add("IfcDoor", "Ground floor", Fixtures.box(0, 0, 0, 1, 0.1, 2), "Area", 2);
    model.add("IfcDoor", "Ground floor", Fixtures.box(0, 0, 0, 1, 0.1, 2), "Width", 1);
    StoreyCounts.Row r = rows().get(0);
    assertThat(r.count()).isEqualTo(2);
    assertThat(r.stated()).isEqualTo(1);
    assertThat(r.statedArea()).isEqualTo(2);
    assertThat(r.measuredArea()).isCloseTo(2, within(1e-9));
  }

  @Test
  void theGrossAreaIsHeldAgainstTheBodyWithoutHoles() {
    model.add("IfcWall", "Ground floor", Fixtures.box(0, 0, 0, 5, 0.3, 3), "GrossSideArea", 15);
    model.net = Fixtures.box(0, 0, 0, 5, 0.3, 2);
    assertThat(rows().get(0).measuredArea()).isCloseTo(15, within(1e-9));
    model.add("IfcWall", "Attic", Fixtures.box(0, 0, 0, 5, 0.3, 3), "NetSideArea", 10);
    assertThat(rows().get(1).measuredArea()).isCloseTo(10, within(1e-9));
  }

  @Test
  void storeysComeInTheOrderInWhichTheyOccurAndOthersAreLeftOut() {
    model.add("IfcWall", "Attic", Fixtures.box(0, 0, 0, 5, 0.3, 3), "NetSideArea", 15);
    model.add("IfcSlab", "Attic", Fixtures.box(0, 0, 0, 5, 5, 0.3), "NetArea", 25);
    model.add("IfcWindow", "Ground floor", Fixtures.box(0, 0, 0, 2, 0.1, 1), "Area", 2);
    model.add("IfcWall", "Ground floor", Fixtures.box(0, 0, 0, 5, 0.3, 3), "NetSideArea", 15);
    assertThat(rows())
        .extracting(r -> r.storey() + " " + r.kind())
        .containsExactly("Attic WALL", "Ground floor WALL", "Ground floor WINDOW");
  }

  @Test
  void whatIsOutOfScopeDoesNotCount() {
    model.add("IfcWall", "Attic", Fixtures.box(0, 0, 0, 5, 0.3, 3), "NetSideArea", 15);
    ScopeResult none =
        new ScopeResult(
            List.of(new ScopeResult.Decision(model.elements().get(0), false, "", 1, false)),
            List.of(),
            Map.of());
    assertThat(StoreyCounts.of(model, none)).isEmpty();
  }

  private List<StoreyCounts.Row> rows() {
    List<ScopeResult.Decision> all =
        model.elements().stream()
            .map(e -> new ScopeResult.Decision(e, true, "", 1, false))
            .toList();
    return StoreyCounts.of(model, new ScopeResult(all, List.of(), Map.of()));
  }

  /** Elements with one quantity each. */
  private static final class Model implements ArchitecturalModel {
    private final Map<Element, List<Polygon>> bodies = new LinkedHashMap<>();
    private final Map<String, PropertySet> sets = new LinkedHashMap<>();
    private List<Polygon> net;

    void add(String entity, String storey, List<Polygon> body, String quantity, double value) {
      int n = bodies.size() + 1;
      Element e =
          new Element(
              "e" + n, n, entity, "", "", "", "", "", "", "", storey, "", "", SourceRef.REPAIR);
      bodies.put(e, body);
      PropertyValue v = new PropertyValue.Number(value, "", "");
      sets.put(
          e.key(),
          new PropertySet("Qto", true, false, 0, List.of(new Property(quantity, v, "", 0))));
    }

    @Override
    public String schema() {
      return "IFC4";
    }

    @Override
    public List<Element> elements() {
      return List.copyOf(bodies.keySet());
    }

    @Override
    public Optional<Element> element(String key) {
      return bodies.keySet().stream().filter(e -> e.key().equals(key)).findFirst();
    }

    @Override
    public List<Element> definitions() {
      return List.of();
    }

    @Override
    public Optional<PropertyValue> attribute(Element element, String name) {
      return Optional.empty();
    }

    @Override
    public List<PropertySet> properties(Element element) {
      return List.of(sets.get(element.key()));
    }

    @Override
    public Element.Materials materials(Element element) {
      throw new UnsupportedOperationException();
    }

    @Override
    public List<Classification> classifications(Element element) {
      return List.of();
    }

    @Override
    public List<ArchitecturalModel.Whole> wholes(Element element) {
      return List.of();
    }

    @Override
    public Body body(Element element) {
      return new Body(bodies.get(element), 0, List.of(), null);
    }

    @Override
    public Body netBody(Element element) {
      return net == null ? body(element) : new Body(net, 0, List.of(), null);
    }

    @Override
    public boolean isKind(String entity, String of) {
      return entity.startsWith(of);
    }
  }
}
