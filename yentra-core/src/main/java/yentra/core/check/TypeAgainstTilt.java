package yentra.core.check;

import java.util.List;
import java.util.function.Consumer;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.geometry.Vec3;

/** ADJ-504: the type contradicts the tilt. */
final class TypeAgainstTilt implements LocalCheck {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "ADJ-504",
          Severity.WARNING,
          "the type contradicts the tilt",
          "The tilt of the outer side is held against the type: walls stand, roofs and ceilings face up, floors face down; a surface between two spaces may be seen from either.",
          "Surface resistances and sun are those of another direction.",
          List.of(
              new Limit("roof", "deg", SurfaceTypes.STANDARD.roofTilt(), 5, 85),
              new Limit("floor", "deg", SurfaceTypes.STANDARD.floorTilt(), 95, 175)));

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void run(CheckContext context, Focus focus, Consumer<Finding> report) {
    double roof = context.limit(DESCRIPTOR, "roof");
    double floor = context.limit(DESCRIPTOR, "floor");
    SurfaceIndex index = context.index();
    List<Surface> all = context.envelope().surfaces();
    for (int i : focus.surfaces()) {
      Surface s = all.get(i);
      if (s.polygon().normal().equals(Vec3.ZERO)) {
        continue;
      }
      double tilt = index.outward(i).tilt();
      boolean up = tilt < roof - 0.01;
      boolean down = tilt > floor + 0.01;
      boolean wrong =
          switch (s.type()) {
            case INTERIOR_WALL, EXTERIOR_WALL, UNDERGROUND_WALL -> up || down;
            case ROOF, UNDERGROUND_CEILING -> tilt > roof + 0.01;
            case CEILING, INTERIOR_FLOOR ->
                !up && !down && tilt > roof + 0.01 && tilt < floor - 0.01;
            case EXPOSED_FLOOR, RAISED_FLOOR, SLAB_ON_GRADE, UNDERGROUND_SLAB ->
                tilt < floor - 0.01;
            default -> false;
          };
      if (wrong) {
        report.accept(
            context
                .finding(DESCRIPTOR, s.key())
                .measured(tilt, tilt < 90 ? roof : floor, "deg")
                .evidence(Evidence.area(s.polygon()))
                .says(
                    "The "
                        + context.naming().surface(s)
                        + " is of the type "
                        + s.type().gbxml()
                        + " but its outer side has a tilt of "
                        + Text.degrees(tilt)
                        + "."));
      }
    }
  }
}
