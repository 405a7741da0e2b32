package yentra.core.repair.space;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import yentra.core.envelope.BoundaryKind;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.InternalGains;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Side;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Target;

/**
 * Makes one space of several: the first stays. What lies between them goes, with its openings;
 * where it had a thickness, strips that bridge it take its edges' place, so that the shell stays
 * closed. Stated areas and volumes are added where all spaces have them.
 */
public record MergeSpaces(List<String> spaces) implements Repair {
  public MergeSpaces {
    spaces = List.copyOf(spaces);
  }

  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    Set<String> all = new HashSet<>(spaces);
    if (all.size() < 2) {
      throw new NotApplicableException("It takes two spaces to merge.");
    }
    List<Space> members = new ArrayList<>();
    for (String s : spaces) {
      members.add(Target.space(e, s));
    }
    String first = spaces.get(0);
    List<Surface> out = new ArrayList<>();
    int between = 0;
    for (Surface s : e.surfaces()) {
      long inside = s.sides().stream().filter(x -> all.contains(x.space())).count();
      if (inside == 2 && !s.isWithinOneSpace()) {
        between++;
        strips(s, first, rules, out);
      } else if (inside == 0) {
        out.add(s);
      } else {
        out.add(
            s.withSides(
                s.sides().stream()
                    .map(
                        x ->
                            all.contains(x.space())
                                ? new Side(first, x.face(), x.boundary(), x.adjacency())
                                : x)
                    .toList()));
      }
    }
    if (between == 0) {
      throw new NotApplicableException("The spaces have no surface between them.");
    }
    Space merged = merged(members);
    return e.withSurfaces(out)
        .withSpaces(
            e.spaces().stream()
                .filter(s -> !all.contains(s.key()) || s.key().equals(first))
                .map(s -> s.key().equals(first) ? merged : s)
                .toList());
  }

  private static Space merged(List<Space> members) {
    Space f = members.get(0);
    boolean areas = members.stream().allMatch(s -> s.statedFloorArea() != null);
    boolean volumes = members.stream().allMatch(s -> s.statedVolume() != null);
    return Space.of(f.key())
        .with()
        .name(f.name())
        .storey(f.storey())
        .zone(f.zone())
        .building(f.building())
        .use(f.use())
        .condition(f.condition())
        .statedFloorArea(areas ? members.stream().mapToDouble(Space::statedFloorArea).sum() : null)
        .statedVolume(volumes ? members.stream().mapToDouble(Space::statedVolume).sum() : null)
        .shell( // the surfaces say what it is bounded by
            List.of())
        .source(f.source())
        .extras(f.extras())
        .build()
        .withGains(gains(members))
        .withAir(air(members));
  }

  /** Flows are added up where all are stated; air changes are those of the first. */
  private static Space.AirExchange air(List<Space> members) {
    boolean flows = members.stream().allMatch(s -> s.air().flow() != null);
    return members
        .get(0)
        .air()
        .withFlow(flows ? members.stream().mapToDouble(s -> s.air().flow()).sum() : null);
  }

  /** Those of the first; numbers of people are added up where all are stated. */
  private static InternalGains gains(List<Space> members) {
    InternalGains g = members.get(0).gains();
    if (members.stream().anyMatch(s -> s.gains().people() == null)) {
      return g;
    }
    return new InternalGains(
        members.stream().mapToDouble(s -> s.gains().people()).sum(),
        g.areaPerPerson(),
        g.sensiblePerPerson(),
        g.latentPerPerson(),
        g.lighting(),
        g.equipment(),
        g.schedules());
  }

  /** Quads from the edges of one side of a wall to the other's. */
  private static void strips(Surface s, String space, Rules rules, List<Surface> out) {
    Polygon near = s.face(0);
    double apart = Math.abs(near.plane().distance(s.face(1).mean()));
    if (apart <= rules.tolerance().gap()) {
      return;
    }
    Vec3 across = near.normal().times(apart);
    int n = 0;
    for (List<Vec3> ring : near.rings()) {
      for (int i = 0; i < ring.size(); i++) {
        Vec3 a = ring.get(i);
        Vec3 b = ring.get((i + 1) % ring.size());
        Polygon strip = Polygon.of(a, b, b.plus(across), a.plus(across));
        out.add(
            Surface.of(
                    s.key() + "_m" + ++n,
                    rules.types().betweenSpaces(strip.tilt()),
                    strip,
                    BoundaryKind.DERIVED_2B)
                .with()
                .sides(List.of(Side.of(space, strip)))
                .construction(s.construction())
                .element(s.element())
                .build());
      }
    }
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new MergeSpaces(keys.of(spaces));
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    return String.format(
        Locale.ROOT,
        "Merges %d spaces into %s.",
        spaces.size(),
        spaces.isEmpty() ? "one" : naming.space(spaces.get(0)));
  }
}
