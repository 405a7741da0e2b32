package yentra.core.boundary;

import static org.assertj.core.api.Assertions.assertThat;
import static yentra.core.Fixtures.check;
import static yentra.core.Fixtures.read;
import static yentra.core.Fixtures.rooms;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.LongRange;
import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.exchange.Excerpt;
import yentra.core.exchange.Handover;
import yentra.core.exchange.HandoverFormat;
import yentra.core.exchange.proof.Proof;
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
    Envelope e = envelope(rooms, barriers, cuts, ground, options);
    CheckContext whole = new CheckContext(e, Limits.STANDARD, Tolerance.standard());
    Handover h = everyFormat(whole, Set.of());
    assertThat(grave(check(read(h.bytes())))).isEqualTo(grave(check(e)));
  }

  private static Envelope envelope(
      List<Room> rooms,
      List<Barrier> barriers,
      List<Cut> cuts,
      double ground,
      DerivationOptions options) {
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
    return rooms().withSpaces(spaces).withSurfaces(surfaces);
  }

  /** In every format that an envelope alone is written in; gives back gbXML 6.01. */
  private static Handover everyFormat(CheckContext c, Set<String> flawed) throws Exception {
    Handover first = null;
    for (HandoverFormat f : HandoverFormat.values()) {
      if (f == HandoverFormat.XLSX) {
        continue;
      }
      Handover h = Handover.of(f, c, ReadLimits.standard());
      Proof.of(h, c, flawed);
      assertThat(h.faults()).as(f.code()).isEmpty();
      assertThat(Handover.of(f, c, ReadLimits.standard()).bytes()).isEqualTo(h.bytes());
      first = first == null ? h : first;
    }
    return first;
  }

  /** Any part of a random building is a building of its own. */
  @Property(seed = "22", tries = 40)
  void anyPartIsWrittenAndComesBack(
      @ForAll @LongRange(min = 1, max = 1_000_000) long seed,
      @ForAll @LongRange(min = 1, max = 1_000_000) long which,
      @ForAll Excerpt.Edge edge)
      throws Exception {
    RandomBuilding b = new RandomBuilding(seed, Transform.IDENTITY, 1);
    Envelope e = envelope(b.rooms, b.barriers, b.cuts, 2.9, DerivationOptions.STANDARD);
    Random random = new Random(which);
    Set<String> chosen = new HashSet<>();
    e.spaces().stream().map(Space::key).filter(k -> random.nextBoolean()).forEach(chosen::add);
    if (chosen.isEmpty()) {
      chosen.add(e.spaces().get(0).key());
    }
    CheckContext whole = new CheckContext(e, Limits.STANDARD, Tolerance.standard());
    Excerpt.Part part = Excerpt.of(e, chosen, edge, whole.types());
    CheckContext c = whole.with(part.envelope());
    // spaces that stand in for what is left out have no faces
    Set<String> standIns = new HashSet<>();
    part.envelope().spaces().stream()
        .map(Space::key)
        .filter(k -> !chosen.contains(k))
        .forEach(standIns::add);
    assertThat(standIns.isEmpty() || edge == Excerpt.Edge.KEEP).isTrue();
    everyFormat(c, standIns);
    for (String k : chosen) {
      // a part is as large as it was in the whole
      assertThat(c.volumes().of(k).volume()).isEqualTo(whole.volumes().of(k).volume());
      assertThat(c.volumes().of(k).enclosed()).isEqualTo(whole.volumes().of(k).enclosed());
    }
    for (Surface s : part.envelope().surfaces()) {
      assertThat(
              s.sides().stream().anyMatch(x -> chosen.contains(x.space())) || s.sides().isEmpty())
          .isTrue();
      assertThat(s.sides().stream().allMatch(x -> part.envelope().space(x.space()).isPresent()))
          .isTrue();
    }
  }

  private static List<String> grave(List<Finding> findings) {
    return findings.stream()
        .filter(f -> f.severity() == Severity.BLOCKER || f.severity() == Severity.ERROR)
        .map(Finding::code)
        .toList();
  }
}
