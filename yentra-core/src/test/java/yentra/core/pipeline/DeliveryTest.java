package yentra.core.pipeline;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static yentra.core.Fixtures.TOLERANCE;
import static yentra.core.Fixtures.rooms;
import static yentra.core.Fixtures.write;

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
}
