package yentra.core.envelope;

import java.util.function.ToIntFunction;

/** Says in words which object is meant, so that no message consists of ids. */
public final class Naming {
  private static final String[] QUARTERS = {
    "north", "north-east", "east", "south-east", "south", "south-west", "west", "north-west"
  };

  private final Envelope envelope;
  private final SurfaceTypes types;
  private final ToIntFunction<Surface> direction;

  /** Names surfaces by the way their outlines face. */
  public Naming(Envelope envelope, SurfaceTypes types) {
    this(envelope, types, s -> 1);
  }

  /**
   * @param types what is called a wall
   * @param direction −1 for a surface whose outline is known to face into its first space, so that
   *     it is named by the way it should face
   */
  public Naming(Envelope envelope, SurfaceTypes types, ToIntFunction<Surface> direction) {
    this.envelope = envelope;
    this.types = types;
    this.direction = direction;
  }

  public String space(String key) {
    return envelope.space(key).map(Space::label).orElse(key);
  }

  /**
   * For example "south wall of Workshop", "floor between Gallery and Kitchen", "shading surface".
   */
  public String surface(Surface s) {
    String what = part(s);
    if (s.sides().isEmpty()) {
      return s.name().isBlank() ? what : what + " " + s.name();
    }
    String first = space(s.sides().get(0).space());
    if (s.sides().size() > 1 && !s.isWithinOneSpace()) {
      return what + " between " + first + " and " + space(s.sides().get(1).space());
    }
    return (isUpright(s) ? quarter(s) + " " : "") + what + " of " + first;
  }

  /**
   * What lies on the other side, across what: "Faces Kitchen across the wall W-12, 0.24 m". Of a
   * surface between two spaces both are named.
   */
  public String behind(Surface s) {
    boolean known = s.element() != null && s.element().elementClass().startsWith("Ifc");
    String across = known ? " across " + element(s) : "";
    String thick =
        s.thickness() == null
            ? ""
            : String.format(java.util.Locale.ROOT, ", %.2f m", s.thickness());
    if (s.sides().size() > 1 && !s.isWithinOneSpace()) {
      String pair = space(s.sides().get(0).space()) + " and " + space(s.sides().get(1).space());
      return s.kind() == BoundaryKind.VIRTUAL
          ? "Nothing parts " + pair + " here"
          : "Parts " + pair + across + thick;
    }
    return switch (s.exposure()) {
      case OUTDOOR -> "Faces outdoor air" + across + thick;
      case GROUND -> "Touches the ground" + across + thick;
      case ADIABATIC ->
          "Only construction lies behind it"
              + (known ? ": " + element(s) : "")
              + ", as at the end of a partition or the edge of a slab";
      case SPACE, UNRESOLVED -> "What lies behind it is not known" + across;
      case NONE -> "Open to what lies behind it";
      case SHADE -> "Casts shade";
    };
  }

  /** "the wall W-12", "a wall" where it has no name. */
  private static String element(Surface s) {
    SourceRef e = s.element();
    String what =
        e.elementClass()
            .replaceFirst("^Ifc", "")
            .replaceFirst("(StandardCase|ElementedCase)$", "")
            .replaceAll("(?<=[a-z])(?=[A-Z])", " ")
            .toLowerCase(java.util.Locale.ROOT);
    return e.name().isBlank() ? "the " + what + " " + e.id() : "the " + what + " " + e.name();
  }

  /** For example "window in the south wall of Workshop". */
  public String opening(Opening o) {
    return o.type().label()
        + envelope.parentOf(o.key()).map(s -> " in the " + surface(s)).orElse(" in no surface");
  }

  /** The object with this key in words; the key itself when the envelope has no such object. */
  public String object(String key) {
    return envelope
        .space(key)
        .map(Space::label)
        .or(() -> envelope.surface(key).map(this::surface))
        .or(() -> envelope.opening(key).map(this::opening))
        .or(() -> envelope.construction(key).map(Construction::label))
        .or(() -> envelope.glazing(key).map(Glazing::label))
        .or(() -> envelope.material(key).map(Material::label))
        .or(() -> envelope.zone(key).map(Zone::label))
        .or(() -> envelope.storey(key).map(Storey::name).filter(n -> !n.isBlank()))
        .or(() -> envelope.schedules().year(key).map(YearSchedule::label))
        .orElse(key);
  }

  private String part(Surface s) {
    if (s.type().isShading()
        || s.type() == SurfaceType.AIR
        || s.type() == SurfaceType.EMBEDDED_COLUMN) {
      return s.type().label();
    }
    if (isUpright(s)) {
      return "wall";
    }
    boolean down = types.isFloor(s.polygon().tilt()) == direction.applyAsInt(s) >= 0;
    return down ? "floor" : s.type().isInterior() ? "ceiling" : "roof";
  }

  private boolean isUpright(Surface s) {
    return types.isUpright(s.polygon().tilt());
  }

  private String quarter(Surface s) {
    return quarter(
        envelope
            .site()
            .fromTrueNorth(s.polygon().azimuth() + (direction.applyAsInt(s) < 0 ? 180 : 0)));
  }

  /** The nearest of eight points of the compass, of an azimuth in degrees. */
  public static String quarter(double azimuth) {
    double a = (azimuth % 360 + 360) % 360;
    return QUARTERS[(int) Math.round(a / 45) % 8];
  }
}
