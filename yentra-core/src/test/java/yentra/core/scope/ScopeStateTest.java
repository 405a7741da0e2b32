package yentra.core.scope;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.entry;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.json.JsonMapper;
import yentra.core.envelope.SpaceSeed;
import yentra.core.geometry.Vec3;
import yentra.core.ifc.IfcModel;
import yentra.core.ifc.IfcSample;
import yentra.core.model.ArchitecturalModel;
import yentra.core.model.Element;
import yentra.core.model.Property;
import yentra.core.model.PropertyValue;

/** Scope and values as a log of steps. */
class ScopeStateTest {
  private static final String WALLS = "Pset_WallCommon";
  private static final JsonMapper JSON = JsonMapper.builder().build();
  private IfcModel model;

  @BeforeEach
  void threeWallsAndAChair() throws Exception {
    model =
        IfcSample.of("IFC4")
            .with(
                "#30=IFCWALL('00000000000000000000W1',$,'North 1',$,$,#10,$,$,$);",
                "#31=IFCWALL('00000000000000000000W2',$,'North 2',$,$,#10,$,$,$);",
                "#32=IFCWALL('00000000000000000000W3',$,'South',$,$,#10,$,$,$);",
                "#33=IFCFURNITURE('00000000000000000000C1',$,'Chair',$,$,#10,$,$,$);",
                "#34=IFCRELCONTAINEDINSPATIALSTRUCTURE('00000000000000000000R2',$,$,$,(#30,#31,#32,#33),#17);",
                "#40=IFCPROPERTYSET('00000000000000000000P1',$,'Pset_WallCommon',$,(#42,#43));",
                "#41=IFCRELDEFINESBYPROPERTIES('00000000000000000000R3',$,$,$,(#30,#31),#40);",
                "#42=IFCPROPERTYSINGLEVALUE('FireRating',$,IFCLABEL('F-90'),$);",
                "#43=IFCPROPERTYSINGLEVALUE('Height',$,IFCLENGTHMEASURE(2.5),$);")
            .model();
  }

  private static String wall(int n) {
    return "00000000000000000000W" + n;
  }

  private List<Element> walls() {
    return model.elements().stream().filter(e -> e.entity().equals("IfcWall")).toList();
  }

  private static boolean isIn(ScopeResult r, String key) {
    return r.decisions().stream().filter(d -> d.element().key().equals(key)).findFirst().get().in();
  }

  private Optional<PropertyValue> value(ScopeState s, int wall, String property) {
    ArchitecturalModel values = s.values(model);
    return values
        .property(values.element(wall(wall)).orElseThrow(), WALLS, property)
        .map(Property::value);
  }

  @Test
  void everyStepSurvivesBeingStored() {
    List<ScopeStep> steps =
        List.of(
            new ScopeStep.ApplySheet(ShippedSheets.geometry()),
            new ScopeStep.ApplySheet(ShippedSheets.thermal()),
            new ScopeStep.ApplySheet(ShippedSheets.programme()),
            new ScopeStep.PlaceElements(List.of(wall(1)), false, "stands next door"),
            new ScopeStep.ReleaseElements(List.of(wall(1), wall(2))),
            new ScopeStep.SetValues(
                WALLS,
                "Height",
                "IfcLengthMeasure",
                List.of(
                    new ScopeStep.Change(
                        new PropertyValue.Number(2.75, "m", "IfcLengthMeasure"), List.of(wall(1))),
                    new ScopeStep.Change(new PropertyValue.Logical(true), List.of(wall(2))),
                    new ScopeStep.Change(
                        new PropertyValue.Many(List.of(new PropertyValue.Text("a; b"))),
                        List.of(wall(3))),
                    new ScopeStep.Change(null, List.of("gone")))),
            new ScopeStep.ChooseBoundaries(
                List.of("sp_1", "sp_2"), ScopeStep.BoundarySource.DERIVED),
            new ScopeStep.AddSpaces(List.of(new SpaceSeed("Store 01", new Vec3(1.5, -2, 0.25)))),
            new ScopeStep.Draw("{\"yentraPlan\": 1}", "Moves a wall."));
    assertThat(steps.stream().map(Object::getClass).distinct())
        .hasSize(ScopeStep.class.getPermittedSubclasses().length);
    for (ScopeStep s : steps) {
      String stored = JSON.writerFor(ScopeStep.class).writeValueAsString(s);
      assertThat(JSON.readValue(stored, ScopeStep.class)).as(stored).isEqualTo(s);
    }
  }

  @Test
  void whatAPersonDecidesGoesBeforeTheSheetUntilItIsTakenBack() {
    ScopeStep sheet = new ScopeStep.ApplySheet(ShippedSheets.geometry());
    ScopeStep out = new ScopeStep.PlaceElements(List.of(wall(1), "not there"), false, "next door");
    ScopeResult r = ScopeState.of(List.of(out, sheet)).run(model);
    assertThat(isIn(r, wall(1))).isFalse();
    assertThat(isIn(r, wall(2))).isTrue();
    assertThat(isIn(r, "00000000000000000000C1")).isFalse();
    assertThat(r.decisions().stream().filter(ScopeResult.Decision::byHand))
        .extracting(ScopeResult.Decision::reason)
        .containsExactly("by hand: next door");

    ScopeState back =
        ScopeState.of(List.of(out, sheet, new ScopeStep.ReleaseElements(List.of(wall(1)))));
    assertThat(isIn(back.run(model), wall(1))).isTrue();
    assertThat(back.gone(model)).isEqualTo(1);
  }

  @Test
  void theLastChoiceOfASpaceCountsUntilItIsLeftToTheProject() {
    ScopeStep both =
        new ScopeStep.ChooseBoundaries(List.of("a", "b"), ScopeStep.BoundarySource.DERIVED);
    ScopeStep one =
        new ScopeStep.ChooseBoundaries(List.of("a"), ScopeStep.BoundarySource.DELIVERED);
    ScopeStep back = new ScopeStep.ChooseBoundaries(List.of("b"), ScopeStep.BoundarySource.PROJECT);
    ScopeState s = ScopeState.of(List.of(both, one, back));
    assertThat(s.boundaries()).containsExactly(entry("a", ScopeStep.BoundarySource.DELIVERED));
    assertThat(s.isAsDelivered()).isFalse();
    assertThat(
            ScopeState.of(
                    List.of(
                        both,
                        new ScopeStep.ChooseBoundaries(
                            List.of("a", "b"), ScopeStep.BoundarySource.PROJECT)))
                .isAsDelivered())
        .isTrue();
    assertThat(back.describe(model)).contains("to the project’s choice");
  }

  @Test
  void enclosedVolumesThatBecomeSpacesAddUp() {
    SpaceSeed store = new SpaceSeed("Store 01", new Vec3(1, 2, 3));
    SpaceSeed shaft = new SpaceSeed("Shaft", new Vec3(4, 5, 6));
    ScopeState s =
        ScopeState.of(
            List.of(
                new ScopeStep.AddSpaces(List.of(store)), new ScopeStep.AddSpaces(List.of(shaft))));
    assertThat(s.seeds()).containsExactly(store, shaft);
    assertThat(s.isAsDelivered()).isFalse();
    assertThat(new ScopeStep.AddSpaces(List.of(store)).describe(model)).contains("Store 01");
    assertThat(new ScopeStep.AddSpaces(s.seeds()).describe(model)).contains("2 enclosed volumes");
  }

  @Test
  void withoutStepsEverythingIsInAndAsDelivered() {
    ScopeState s = ScopeState.of(List.of());
    assertThat(s.isAsDelivered()).isTrue();
    assertThat(s.run(model).decisions())
        .allSatisfy(
            d -> {
              assertThat(d.in()).isTrue();
              assertThat(d.reason()).isEqualTo("no scope sheet is applied");
            });
  }

  @Test
  void aTypedValueIsReadByTheTypeThePropertyHasAndMeetsTheRequirement() {
    ScopeStep.SetValues set =
        new ValueChange.Typed("8 ft").step(model, walls(), WALLS, "Height", null).orElseThrow();
    assertThat(set.type()).isEqualTo("IfcLengthMeasure");
    assertThat(set.describe(model))
        .isEqualTo("Sets Pset_WallCommon.Height of 3 walls to 2.4384 m.");
    ScopeState s = ScopeState.of(List.of(set));
    assertThat(value(s, 3, "Height"))
        .contains(new PropertyValue.Number(8 * 0.3048, "m", "IfcLengthMeasure"));

    ScopeState thermal = ScopeState.of(List.of(new ScopeStep.ApplySheet(ShippedSheets.thermal())));
    assertThat(thermal.run(model).faults())
        .extracting(f -> f.requirement().title())
        .contains("External or not");
    ScopeStep external =
        new ValueChange.Typed("yes").step(model, walls(), WALLS, "IsExternal", null).orElseThrow();
    assertThat(
            ScopeState.of(List.of(new ScopeStep.ApplySheet(ShippedSheets.thermal()), external))
                .run(model)
                .faults())
        .extracting(f -> f.requirement().title())
        .doesNotContain("External or not");
  }

  @Test
  void aValueThatCannotBeOneIsRefusedWithTheReason() {
    assertThatThrownBy(
            () -> new ValueChange.Typed("high").step(model, walls(), WALLS, "Height", null))
        .hasMessageContaining("no number");
    assertThatThrownBy(
            () -> new ValueChange.Typed("2 m²").step(model, walls(), WALLS, "Height", null))
        .hasMessageContaining("not in m");
    assertThatThrownBy(
            () -> new ValueChange.Typed("maybe").step(model, walls(), WALLS, "IsExternal", null))
        .hasMessageContaining("yes or no");
    assertThat(
            new ValueChange.Typed("F-90")
                .step(model, walls().subList(0, 2), WALLS, "FireRating", null))
        .as("nothing changes")
        .isEmpty();
  }

  @Test
  void valuesAreReplacedCopiedSetByRuleAndTakenAway() {
    ScopeStep replace =
        new ValueChange.Replaced("F-", "REI ")
            .step(model, walls(), WALLS, "FireRating", null)
            .orElseThrow();
    ScopeStep copy =
        new ValueChange.Copied(WALLS, "FireRating")
            .step(model, walls(), WALLS, "Reference", null)
            .orElseThrow();
    ScopeStep rule =
        new ValueChange.Typed("2.9")
            .step(
                model,
                walls(),
                WALLS,
                "Height",
                Condition.of(Condition.Subject.NAME, ValueTest.of("contains north")))
            .orElseThrow();
    ScopeStep remove =
        new ValueChange.Removed()
            .step(model, walls().subList(1, 2), WALLS, "Height", null)
            .orElseThrow();
    ScopeState s = ScopeState.of(List.of(replace, copy, rule, remove));
    assertThat(value(s, 1, "FireRating")).contains(new PropertyValue.Text("REI 90"));
    assertThat(value(s, 1, "Reference")).contains(new PropertyValue.Text("F-90"));
    assertThat(value(s, 3, "Reference")).isEmpty();
    assertThat(value(s, 1, "Height").map(PropertyValue::text)).contains("2.9");
    assertThat(value(s, 2, "Height")).isEmpty();
    assertThat(value(s, 3, "Height")).isEmpty();
    assertThat(replace.describe(model))
        .isEqualTo("Sets Pset_WallCommon.FireRating of 2 walls to REI 90.");
  }

  @Test
  void theTableOfValuesMarksWhatIsMissingAndWhatWasSet() {
    ScopeStep set =
        new ValueChange.Typed("yes")
            .step(model, walls().subList(0, 1), WALLS, "IsExternal", null)
            .orElseThrow();
    ScopeState s = ScopeState.of(List.of(new ScopeStep.ApplySheet(ShippedSheets.thermal()), set));
    ValueTable t = ValueTable.of(s.values(model), walls(), s.run(model), s);
    assertThat(t.columns())
        .extracting(ValueTable.Column::property)
        .containsExactly("IsExternal", "FireRating", "Height");
    ValueTable.Column external = t.columns().get(0);
    assertThat(external.asked()).isTrue();
    assertThat(external.filled()).isEqualTo(1);
    assertThat(external.faults()).isEqualTo(2);
    assertThat(t.rows().get(0).cells().get(0).edited()).isTrue();
    assertThat(t.rows().get(0).cells().get(0).text()).isEqualTo("TRUE");
    assertThat(t.rows().get(1).cells().get(0).missing()).isTrue();
    assertThat(t.rows().get(1).cells().get(0).reason()).contains("missing");
    assertThat(t.rows().get(1).cells().get(2).text()).isEqualTo("2.5");
    assertThat(t.columns().get(2).unit()).isEqualTo("m");
  }

  @Test
  void sheetsAreComparedByWhatTheySay() {
    SheetComparison c = SheetComparison.of(ShippedSheets.geometry(), ShippedSheets.thermal());
    assertThat(c.lines())
        .filteredOn(l -> l.place() == SheetComparison.Place.FIRST)
        .as("all of the first is in the second")
        .isEmpty();
    assertThat(c.lines())
        .filteredOn(l -> l.place() == SheetComparison.Place.SECOND)
        .hasSize(
            ShippedSheets.thermal().requirements().size()
                - ShippedSheets.geometry().requirements().size())
        .allSatisfy(l -> assertThat(l.part()).isEqualTo("requirement"));
  }
}
