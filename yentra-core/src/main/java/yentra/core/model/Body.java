package yentra.core.model;

import java.util.List;
import yentra.core.geometry.Box;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Shell;

/**
 * The shape of an element.
 *
 * @param faces planar faces in metres in model coordinates, pointing outwards where they close
 * @param chordError the largest distance of a flat face from the curved one it stands for, in
 *     metres; 0 when nothing is curved
 * @param approximations what was simplified, in words
 * @param problem why it could not be read, or null
 */
public record Body(
    List<Polygon> faces, double chordError, List<String> approximations, String problem) {
  public static final Body NONE = new Body(List.of(), 0, List.of(), null);

  public Body {
    faces = List.copyOf(faces);
    approximations = List.copyOf(approximations);
  }

  public static Body failed(String problem) {
    return new Body(List.of(), 0, List.of(), problem);
  }

  public boolean isEmpty() {
    return faces.isEmpty();
  }

  public Box box() {
    return Shell.of(faces).box();
  }
}
