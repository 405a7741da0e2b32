package yentra.core.check;

import static org.assertj.core.api.Assertions.assertThat;
import static yentra.core.Fixtures.TOLERANCE;
import static yentra.core.Fixtures.box;
import static yentra.core.Fixtures.rooms;
import static yentra.core.Fixtures.surface;
import static yentra.core.Fixtures.v;
import static yentra.core.Fixtures.window;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.run.CheckRun;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Opening;
import yentra.core.envelope.OpeningType;
import yentra.core.envelope.Side;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.finding.Finding;
import yentra.core.finding.Limits;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;

/** After any change the findings are those of a full run, in the same order. */
class CheckRunTest {
  /** Rooms of 4 by 5 by 3 m beside and above each other; some walls are not matched. */
  private static Envelope block(Random random, int nx, int ny, int nz) {
    Envelope e = rooms();
    Space like = e.spaces().get(0);
    List<Space> spaces = new ArrayList<>();
    List<Surface> surfaces = new ArrayList<>();
    for (int n = 0; n < nx * ny * nz; n++) {
      int i = n % nx;
      int j = n / nx % ny;
      int k = n / nx / ny;
      List<Polygon> b = box(v(4 * i, 5 * j, 3 * k), v(4 * i + 4, 5 * j + 5, 3 * k + 3));
      spaces.add(
          Space.of("s" + n)
              .with()
              .name("Room " + n)
              .storey(like.storey())
              .zone(like.zone())
              .building(like.building())
              .use(like.use())
              .condition(like.condition())
              .statedFloorArea(20.0)
              .statedVolume(60.0)
              .shell(random.nextInt(3) == 0 ? List.of() : b)
              .source(like.source())
              .extras(like.extras())
              .build());
      int[] over = {-nx * ny, nx * ny, -nx, 1, nx, -1};
      boolean[] there = {k > 0, k < nz - 1, j > 0, i < nx - 1, j < ny - 1, i > 0};
      for (int f = 0; f < 6; f++) {
        Polygon p = b.get(f);
        String key = "s" + n + "-" + f;
        boolean apart = random.nextInt(8) == 0;
        if (there[f] && !apart) {
          if (over[f] > 0) {
            surfaces.add(
                surface(
                    key,
                    SurfaceTypes.STANDARD.betweenSpaces(p.tilt()),
                    p,
                    "con-1",
                    "s" + n,
                    "s" + (n + over[f])));
          }
        } else {
          Surface s = surface(key, SurfaceTypes.STANDARD.exterior(p, 0), p, "con-1", "s" + n);
          surfaces.add(
              f == 2
                  ? s.withOpenings(
                      List.of(
                          window(
                              "w" + n,
                              Polygon.of(
                                  p.outer().get(0).lerp(p.mean(), 0.4),
                                  p.outer().get(1).lerp(p.mean(), 0.4),
                                  p.outer().get(2).lerp(p.mean(), 0.4),
                                  p.outer().get(3).lerp(p.mean(), 0.4)))))
                  : s);
        }
      }
    }
    return e.withSpaces(spaces).withSurfaces(surfaces);
  }

  private static <T> T any(Random r, List<T> list) {
    return list.get(r.nextInt(list.size()));
  }

  /** One of many ways to change an envelope, sensible or not. */
  private static Envelope edit(Envelope e, Random r, int n) {
    if (e.surfaces().size() < 4 || e.spaces().size() < 3) {
      return e;
    }
    Surface s = any(r, e.surfaces());
    Space space = any(r, e.spaces());
    Vec3 by = v(r.nextInt(3) * 0.02 - 0.02, r.nextInt(3) * 0.5, r.nextInt(2) * 0.004);
    return switch (r.nextInt(14)) {
      case 0 -> e.replacing(s.key(), x -> x.withType(any(r, List.of(SurfaceType.values()))));
      case 1 -> e.withoutSurface(s.key());
      case 2 -> e.replacing(s.key(), x -> x.withPolygon(x.polygon().reversed(), x.sides()));
      case 3 ->
          e.replacing(
              s.key(),
              x ->
                  x.withPolygon(
                      Polygon.of(x.polygon().outer().stream().map(p -> p.plus(by)).toList()),
                      x.sides()));
      case 4 -> e.within(k -> !k.equals(space.key()));
      case 5 ->
          e.withSpaces(
              e.spaces().stream()
                  .map(x -> x == space ? x.withName(r.nextBoolean() ? "Room 1" : "") : x)
                  .toList());
      case 6 ->
          e.replacing(
              s.key(),
              x ->
                  x.withSides(
                      r.nextBoolean()
                          ? List.of(Side.of(space.key()))
                          : List.of(Side.of(space.key()), Side.of(any(r, e.spaces()).key()))));
      case 7 -> e.plus(surface("new-" + n, SurfaceType.SHADE, s.polygon(), null));
      case 8 ->
          e.plus(
              surface(
                  "new-" + n,
                  SurfaceType.EXTERIOR_WALL,
                  Polygon.of(
                          s.polygon().outer().stream()
                              .map(p -> p.plus(s.polygon().normal().times(0.3)))
                              .toList())
                      .reversed(),
                  "con-1",
                  space.key()));
      case 9 -> e.replacing(s.key(), x -> x.withConstruction(r.nextBoolean() ? null : "con-9"));
      case 10 ->
          e.replacing(
              s.key(),
              x ->
                  x.withOpenings(
                      List.of(
                          window("new-" + n, x.polygon())
                              .withType(any(r, List.of(OpeningType.values()))))));
      case 11 -> e.replacing(s.key(), x -> x.withOpenings(List.of()));
      case 12 ->
          e.withSpaces(
              e.spaces().stream()
                  .map(x -> x == space ? x.withShell(List.of()).withStorey("st-9") : x)
                  .toList());
      default -> e.withOrphans(List.<Opening>of(window("loose-" + n, s.polygon())));
    };
  }

  @Property(tries = 15)
  void whatIsLookedAtAgainIsEnough(
      @ForAll @IntRange(min = 0, max = 1_000_000) int seed,
      @ForAll @IntRange(min = 2, max = 4) int wide) {
    Random random = new Random(seed);
    CheckRun run =
        CheckRun.of(new CheckContext(block(random, wide, 3, 3), Limits.STANDARD, TOLERANCE));
    for (int i = 0; i < 12; i++) {
      Envelope changed = edit(run.context().envelope(), random, i);
      CheckRun full = CheckRun.of(new CheckContext(changed, Limits.STANDARD, TOLERANCE));
      run = run.after(changed);
      assertThat(run.findings())
          .as("after change %d of seed %d", i, seed)
          .isEqualTo(full.findings());
      assertThat(run.context().figures()).isEqualTo(full.context().figures());
      assertThat(run.context().measures().walls()).isEqualTo(full.context().measures().walls());
      assertThat(run.context().measures().glazing()).isEqualTo(full.context().measures().glazing());
    }
  }

  @Test
  void aChangeOfWhatAllReferToIsLookedAtAsAWhole() {
    CheckRun run = CheckRun.of(new CheckContext(rooms(), Limits.STANDARD, TOLERANCE));
    assertThat(run.findings()).isEmpty();
    Envelope e = rooms();
    Envelope bare =
        e.withSite(new yentra.core.envelope.Site("", null, null, null, 0.0, e.site().extras()));
    assertThat(run.after(bare).findings()).extracting(Finding::code).contains("LOC-801");
  }
}
