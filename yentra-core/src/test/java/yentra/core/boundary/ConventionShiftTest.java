package yentra.core.boundary;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.LongRange;
import net.jqwik.api.statistics.Statistics;
import yentra.core.envelope.Delivered;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Extras;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Site;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.geometry.PlanarOverlay;
import yentra.core.geometry.Tolerance;
import yentra.core.geometry.Transform;
import yentra.core.geometry.Vec3;

class ConventionShiftTest {
  private static final Tolerance T = Tolerance.standard();
  private static final Rules R = Rules.standard();

  private static Envelope envelope(RandomBuilding b) {
    BoundaryDerivation.Derived r =
        new BoundaryDerivation(
                b.rooms, b.barriers, b.cuts, Ground.level(1.9), DerivationOptions.STANDARD, T)
            .derive(BoundaryMatching.Constructions.NONE);
    return envelope(b.rooms, r);
  }

  /** Rooms with what was derived of them. */
  static Envelope envelope(List<Room> rooms, BoundaryDerivation.Derived r) {
    List<Space> spaces = new ArrayList<>();
    for (Room room : rooms) {
      spaces.add(Space.of(room.key()).with().building("b").shell(room.body()).build());
    }
    return Envelope.of(
        Envelope.Parts.of(
                Delivered.si(Delivered.IFC, "IFC4", Vec3.ZERO),
                new Site("", null, null, null, null, Extras.NONE))
            .with()
            .spaces(spaces)
            .surfaces(r.surfaces())
            .orphans(r.orphans())
            .build());
  }

  private static double volume(Envelope e) {
    double sum = 0;
    for (SpaceVolume v : SpaceVolumes.of(e, R).all()) {
      assertThat(v.enclosed()).as(v.space().key()).isTrue();
      sum += v.volume();
    }
    return sum;
  }

  private static Transform turn(double yaw) {
    Vec3 u = new Vec3(Math.cos(yaw), Math.sin(yaw), 0);
    Vec3 v = new Vec3(-Math.sin(yaw), Math.cos(yaw), 0);
    return new Transform(u, v, Vec3.Z, new Vec3(12, 5, 2));
  }

  /** Rooms drawn on outer faces and the middle between them fill the building without a gap. */
  @Property(seed = "4715")
  void roomsOnOuterFacesFillTheBuilding(
      @ForAll @LongRange(min = 1, max = 1_000_000) long seed,
      @ForAll @DoubleRange(min = 0, max = 6.28) double yaw) {
    RandomBuilding b = new RandomBuilding(seed, turn(yaw), 1);
    ConventionShift.Shifted r = ConventionShift.apply(envelope(b), Convention.OUTER, R);
    // where walls of neighbouring storeys stand almost above each other, rooms may have to stay
    boolean all = r.notes().size() == 1;
    Statistics.label("all moved").collect(all).coverage(c -> c.check(true).percentage(p -> p > 75));
    double volume = volume(r.envelope());
    if (all) {
      assertThat(volume).isCloseTo(b.gross, within(1e-4 * b.gross));
    }
    for (Surface s : r.envelope().surfaces()) {
      if (all && s.sides().size() == 2) {
        assertThat(s.face(0).area()).isCloseTo(s.face(1).area(), within(1e-6));
      }
      for (Opening o : s.openings()) {
        assertThat(PlanarOverlay.areaOutside(o.polygon(), s.polygon())).isLessThan(1e-3);
      }
    }
  }

  @Property(seed = "4716")
  void theMiddleLiesBetweenInnerAndOuter(@ForAll @LongRange(min = 1, max = 1_000_000) long seed) {
    Envelope e = envelope(new RandomBuilding(seed, turn(0.3), 1));
    double inner = volume(e);
    double mixed = volume(ConventionShift.apply(e, Convention.INNER_AND_CENTRE, R).envelope());
    double centre = volume(ConventionShift.apply(e, Convention.CENTRE, R).envelope());
    double outer = volume(ConventionShift.apply(e, Convention.OUTER, R).envelope());
    assertThat(List.of(inner, mixed, centre, outer)).isSorted();
  }

  @Example
  void innerChangesNothing() {
    Envelope e = envelope(new RandomBuilding(3, turn(0), 1));
    assertThat(ConventionShift.apply(e, Convention.INNER, R).envelope()).isSameAs(e);
  }
}
