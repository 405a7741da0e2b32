package yentra.core.ifc.write;

import java.util.Set;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.Surface;

/**
 * What boundaries say of themselves beside their geometry.
 *
 * @param typed keys of surfaces whose type is said in words behind 2a or 2b, such as {@code 2a
 *     ExposedFloor}: where tilt, ground and side alone would give another
 */
record BoundaryWords(IfcDialect dialect, Set<String> typed) {
  BoundaryWords {
    typed = Set.copyOf(typed);
  }

  /** The parameter Description. */
  String kind(Surface s) {
    String kind = s.exposure() == Exposure.ADIABATIC ? "2b" : "2a";
    String type = s.type().gbxml();
    boolean words = typed.contains(s.key()) && !type.isEmpty();
    return words ? "'" + kind + " " + type + "'" : "'" + kind + "'";
  }

  /** What lies beyond a surface, as the schema calls it. */
  String side(Surface s) {
    if (s.sides().size() > 1) {
      return ".INTERNAL.";
    }
    return switch (s.exposure()) {
      case OUTDOOR -> ".EXTERNAL.";
      // IFC2X3 does not tell earth from air
      case GROUND -> dialect.isOld() ? ".EXTERNAL." : ".EXTERNAL_EARTH.";
      case UNRESOLVED -> ".NOTDEFINED.";
      default -> ".INTERNAL.";
    };
  }
}
