package yentra.core.bcf;

import java.time.Instant;
import java.util.List;
import yentra.core.geometry.Vec3;

/**
 * A topic to hand out.
 *
 * @param guid in the notation of RFC 9562, lower case
 * @param status for example "Open"
 * @param components what is selected
 * @param camera where it is seen from, or null
 * @param picture PNG, or null
 */
public record BcfTopic(
    String guid,
    String title,
    String description,
    String type,
    String status,
    String priority,
    List<String> labels,
    Instant created,
    String author,
    List<Component> components,
    Camera camera,
    byte[] picture) {
  public BcfTopic {
    labels = List.copyOf(labels);
    components = List.copyOf(components);
  }

  /**
   * @param ifcGuid GlobalId of 22 signs, or null
   * @param id in the program or file that it comes from, or null
   */
  public record Component(String ifcGuid, String id) {}

  /**
   * A perspective view of 60°.
   *
   * @param eye metres, in the coordinates of the delivered file
   * @param direction of unit length
   */
  public record Camera(Vec3 eye, Vec3 direction, Vec3 up) {
    /** A view of a place from above, from the south-east. */
    public static Camera of(Vec3 centre, double size) {
      Vec3 direction = new Vec3(-0.5, 0.7, -0.5).unit();
      Vec3 right = direction.cross(Vec3.Z).unit();
      return new Camera(
          centre.minus(direction.times(1.2 * size + 4)), direction, right.cross(direction).unit());
    }
  }
}
