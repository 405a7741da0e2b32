package yentra.core.check;

import java.util.ArrayList;
import java.util.List;

/** All checks, in the order of their codes. */
public final class CheckCatalogue {
  private static final List<Check> CHECKS =
      List.of(
          new UnknownSchema(),
          new DuplicateId(),
          new DanglingReference(),
          new MissingRequired(),
          new BadValue(),
          new UnitAssumed(),
          new ImplausibleSize(),
          new DegeneratePolygon(),
          new OffPlane(),
          new SelfCrossing(),
          new ShortEdge(),
          new NotEnclosed(),
          new NoSurfaces(),
          new StatedDiffers(),
          new InsideOutShell(),
          new InteriorWithoutPair(),
          new ExteriorBetweenSpaces(),
          new NormalInward(),
          new NoSpace(),
          new OpeningOffPlane(),
          new OpeningOutside(),
          new OpeningWithoutParent(),
          new NoConstruction(),
          new EmptyConstruction());

  private CheckCatalogue() {}

  /** What the checks are, FMT-101 included. */
  public static List<Descriptor> descriptors() {
    List<Descriptor> all = new ArrayList<>();
    all.add(Unreadable.DESCRIPTOR);
    CHECKS.forEach(c -> all.add(c.descriptor()));
    return all;
  }

  /**
   * Runs every check, in parallel where that pays.
   *
   * @return the findings in a fixed order: by code, then in the envelope's order
   */
  public static List<Finding> run(CheckContext context) {
    return CHECKS.parallelStream()
        .flatMap(
            check -> {
              List<Finding> found = new ArrayList<>();
              check.run(context, found::add);
              return found.stream();
            })
        .toList();
  }
}
