package yentra.core.boundary;

import static org.assertj.core.api.Assertions.assertThat;
import static yentra.core.Fixtures.check;
import static yentra.core.Fixtures.read;
import static yentra.core.Fixtures.rooms;

import java.util.ArrayList;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.LongRange;
import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.exchange.Handover;
import yentra.core.exchange.HandoverFormat;
import yentra.core.finding.Finding;
import yentra.core.finding.Limits;
import yentra.core.finding.Severity;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Transform;
import yentra.core.geometry.Vec3;

/** Derived boundaries of random buildings survive their file. */
class WrittenBuildingsPropertiesTest {
  private static final Tolerance T = Tolerance.standard();

  @Property(seed = "15")
  void whatIsWrittenComesBackEqualAndWithoutNewFaults(
      @ForAll @LongRange(min = 1, max = 1_000_000) long seed,
      @ForAll @DoubleRange(min = 0, max = 6.28) double yaw,
      @ForAll boolean absorb)
      throws Exception {
    Vec3 u = new Vec3(Math.cos(yaw), Math.sin(yaw), 0);
    Vec3 v = new Vec3(-Math.sin(yaw), Math.cos(yaw), 0);
    RandomBuilding b =
        new RandomBuilding(seed, new Transform(u, v, Vec3.Z, new Vec3(12, -40, 3)), 1);
    comesBack(b.rooms, b.barriers, b.cuts, 2.9, DerivationOptions.STANDARD.absorbing(absorb));
  }

  @net.jqwik.api.Example
  void sidesOfOneWallThatAreNotAlikeComeBack() throws Exception {
    comesBack(
        BoundaryDerivationPropertiesTest.belowAndAboveACeiling(),
        BoundaryDerivationPropertiesTest.aroundACeiling(),
        List.of(),
        -0.1,
        DerivationOptions.STANDARD);
  }

  private static void comesBack(
      List<Room> rooms,
      List<Barrier> barriers,
      List<Cut> cuts,
      double ground,
      DerivationOptions options)
      throws Exception {
    BoundaryDerivation.Derived r =
        new BoundaryDerivation(rooms, barriers, cuts, Ground.level(ground), options, T)
            .derive(BoundaryMatching.Constructions.NONE);
    List<Space> spaces = new ArrayList<>();
    for (Room room : rooms) {
      spaces.add(
          Space.of(room.key())
              .with()
              .name(room.key())
              .storey("st-1")
              .zone("z-1")
              .building("b-1")
              .use("OfficeEnclosed")
              .condition("Heated")
              .shell(room.body())
              .source(room.source())
              .build());
    }
    List<Surface> surfaces = r.surfaces().stream().map(s -> s.withConstruction("con-1")).toList();
    Envelope e = rooms().withSpaces(spaces).withSurfaces(surfaces);
    Handover h =
        Handover.of(
            HandoverFormat.GBXML_6_01,
            new CheckContext(e, Limits.STANDARD, Tolerance.standard()),
            ReadLimits.standard());
    assertThat(h.differences()).isEmpty();
    assertThat(grave(check(read(h.bytes())))).isEqualTo(grave(check(e)));
  }

  private static List<String> grave(List<Finding> findings) {
    return findings.stream()
        .filter(f -> f.severity() == Severity.BLOCKER || f.severity() == Severity.ERROR)
        .map(Finding::code)
        .toList();
  }
}
