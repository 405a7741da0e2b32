package yentra.core.pipeline;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static yentra.core.Fixtures.TOLERANCE;
import static yentra.core.Fixtures.rooms;
import static yentra.core.Fixtures.write;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CancellationException;
import org.junit.jupiter.api.Test;
import yentra.core.boundary.BoundaryOptions;
import yentra.core.boundary.DerivationOptions;
import yentra.core.boundary.Watch;
import yentra.core.check.run.CheckRun;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.SurfaceType;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.finding.Finding;
import yentra.core.finding.Limits;
import yentra.core.ifc.IfcSample;
import yentra.core.intake.DeliveryFormat;
import yentra.core.intake.DeliveryReader;
import yentra.core.scope.Requirement;
import yentra.core.scope.ScopeRule;
import yentra.core.scope.ScopeSheet;
import yentra.core.scope.ScopeState;
import yentra.core.scope.ScopeStep;
import yentra.core.scope.Selection;

/** From a file to a state that can be checked, with options that are known before. */
class DeliveryTest {
  private static final BoundaryOptions DERIVE =
      new BoundaryOptions(BoundaryOptions.Mode.DERIVE, DerivationOptions.STANDARD);

  private static Delivery read(byte[] bytes) throws Exception {
    return Delivery.read(
        DeliveryReader.Source.of(bytes),
        ReadLimits.standard(),
        TOLERANCE,
        DeliveryReader.Progress.NONE);
  }

  private static ScopeState without(String classes, Requirement... requirements) {
    ScopeSheet sheet =
        new ScopeSheet(
            "Sheet",
            "",
            true,
            true,
            List.of(new ScopeRule(1, false, Selection.of(classes), "")),
            List.of(requirements));
    return ScopeState.of(List.of(new ScopeStep.ApplySheet(sheet)));
  }

  @Test
  void gbxmlAsItWasDelivered() throws Exception {
    Delivery d = read(write(rooms()));
    assertThat(d.format()).isEqualTo(DeliveryFormat.GBXML);
    Stage s = d.stage(StageOptions.STANDARD, Watch.NONE);
    assertThat(s.envelope().surfaces()).hasSize(11);
    assertThat(CheckRun.of(s.context()).findings())
        .extracting(Finding::code)
        .containsOnly("LOC-803");
  }

  /** It was passed over in silence on the command line. */
  @Test
  void aSheetHoldsForGbxmlToo() throws Exception {
    Delivery d = read(write(rooms()));
    Stage s = d.stage(StageOptions.STANDARD.with(without("Opening")), Watch.NONE);
    assertThat(s.envelope().openingCount()).isZero();
    assertThat(s.result().decisions()).anyMatch(x -> !x.in());
    // the delivery itself is what it was
    assertThat(d.stage(StageOptions.STANDARD, Watch.NONE).envelope().openingCount()).isEqualTo(1);
  }

  @Test
  void limitsAreThoseOfTheChecks() throws Exception {
    Limits strict = new Limits(Map.of("SPC-407.width", 10.0));
    Stage s = read(write(rooms())).stage(StageOptions.STANDARD.with(strict), Watch.NONE);
    assertThat(CheckRun.of(s.context()).findings()).extracting(Finding::code).contains("SPC-407");
  }

  @Test
  void oneModelGivesManyEnvelopes() throws Exception {
    Delivery d = read(IfcSample.of("IFC4").bytes());
    assertThat(d.format()).isEqualTo(DeliveryFormat.IFC);
    Stage a = d.stage(StageOptions.STANDARD, Watch.NONE);
    Stage b = d.stage(StageOptions.STANDARD.with(DERIVE), Watch.NONE);
    assertThat(a.whole()).isSameAs(b.whole()).isSameAs(d.whole());
    assertThat(a.envelope()).isNotSameAs(b.envelope());
  }

  @Test
  void makingAnEnvelopeIsToldAndCanBeGivenUp() throws Exception {
    Delivery d = read(IfcSample.of("IFC4").bytes());
    List<Double> told = new ArrayList<>();
    StageOptions derive = StageOptions.STANDARD.with(DERIVE);
    d.stage(derive, told::add);
    assertThat(told).allMatch(x -> x >= 0 && x <= 1);
    if (!told.isEmpty()) {
      assertThatThrownBy(
              () ->
                  d.stage(
                      derive,
                      x -> {
                        throw new CancellationException("enough");
                      }))
          .isInstanceOf(CancellationException.class);
    }
  }

  private static final String PLAN =
      """
      {"yentraPlan": 1, "ground_m": 0, "storeys": [{"name": "Ground", "level_m": 0, "height_m": 3}],
       "floors": [{"storey": "Ground", "outlines": [{"corners": [[0,0],[9,0],[9,6],[0,6]]}]}],
       "roofs": [{"storey": "Ground", "kind": "gable", "pitch_deg": 50, "ridge_deg": 90}]}
      """;

  private static long count(Stage s, SurfaceType type) {
    return s.envelope().surfaces().stream().filter(x -> x.type() == type).count();
  }

  @Test
  void whatIsDrawnFollowsTheProjectsLimitsAndGround() throws Exception {
    Delivery d = read(PLAN.getBytes(StandardCharsets.UTF_8));
    assertThat(d.format()).isEqualTo(DeliveryFormat.PLAN);
    Stage asRead = d.stage(StageOptions.STANDARD, Watch.NONE);
    assertThat(count(asRead, SurfaceType.ROOF)).isEqualTo(2);
    assertThat(count(asRead, SurfaceType.UNDERGROUND_WALL)).isZero();
    BoundaryOptions steep =
        new BoundaryOptions(
            BoundaryOptions.Mode.AUTO,
            new DerivationOptions(0.6, 1.0, 0.2, true, new SurfaceTypes(40, 120)));
    Stage walls = d.stage(StageOptions.STANDARD.with(steep), Watch.NONE);
    assertThat(count(walls, SurfaceType.ROOF)).isZero();
    assertThat(count(walls, SurfaceType.EXTERIOR_WALL)).isEqualTo(8);
    Stage sunk =
        d.stage(
            new StageOptions(
                ScopeState.AS_DELIVERED, BoundaryOptions.STANDARD, 1.0, Limits.STANDARD),
            Watch.NONE);
    assertThat(count(sunk, SurfaceType.UNDERGROUND_WALL)).isEqualTo(4);
  }

  @Test
  void whatWasDrawnLastCounts() throws Exception {
    Delivery d = read(PLAN.getBytes(StandardCharsets.UTF_8));
    ScopeState drawn =
        ScopeState.of(
            List.of(
                new ScopeStep.Draw("{}", "Is drawn over by the next."),
                new ScopeStep.Draw(PLAN.replace("gable", "hip"), "Draws a hipped roof.")));
    Stage s = d.stage(StageOptions.STANDARD.with(drawn), Watch.NONE);
    assertThat(count(s, SurfaceType.ROOF)).isEqualTo(4);
    assertThat(s.whole().elements()).hasSameSizeAs(s.result().decisions());
    assertThat(d.plan(drawn).roofs().get(0).kind()).hasToString("HIP");
    assertThat(d.plan(ScopeState.AS_DELIVERED).roofs().get(0).kind()).hasToString("GABLE");
    assertThat(read(write(rooms())).plan(drawn)).isNull();
  }
}
