package yentra.core.repair;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceType;
import yentra.core.library.Library;

/** What surfaces without a construction can be given by their type. */
public final class ConstructionDefaults {
  /**
   * For the surfaces of one type.
   *
   * @param type in words
   * @param surfaces keys
   * @param name of the construction
   * @param fromLibrary whether the model has none for this type
   */
  public record Default(
      String type,
      List<String> surfaces,
      ConstructionSpec construction,
      String name,
      boolean fromLibrary) {}

  private ConstructionDefaults() {}

  /** The construction that has most of the type's area, else the library's first for it. */
  public static List<Default> of(Envelope e, Library library) {
    Map<SurfaceType, List<String>> without = new LinkedHashMap<>();
    Map<SurfaceType, Map<String, Double>> areas = new LinkedHashMap<>();
    for (Surface s : e.surfaces()) {
      if (s.type().isShading() || s.type() == SurfaceType.AIR) {
        continue;
      }
      if (e.construction(s.construction()).isEmpty()) {
        without.computeIfAbsent(s.type(), k -> new ArrayList<>()).add(s.key());
      } else {
        areas
            .computeIfAbsent(s.type(), k -> new TreeMap<>())
            .merge(s.construction(), s.netArea(), Double::sum);
      }
    }
    List<Default> out = new ArrayList<>();
    without.forEach(
        (type, surfaces) -> {
          Optional<String> usual =
              areas.getOrDefault(type, Map.of()).entrySet().stream()
                  .max(Map.Entry.comparingByValue())
                  .map(Map.Entry::getKey);
          if (usual.isPresent()) {
            out.add(
                new Default(
                    type.label(),
                    surfaces,
                    ConstructionSpec.existing(usual.get()),
                    e.construction(usual.get()).map(Construction::label).orElseThrow(),
                    false));
          } else {
            library.constructions().stream()
                .filter(x -> x.use().equals(ThermalRemedies.kind(type)))
                .findFirst()
                .ifPresent(
                    x ->
                        out.add(
                            new Default(
                                type.label(),
                                surfaces,
                                ConstructionSpec.of(library, x),
                                x.name(),
                                true)));
          }
        });
    return out;
  }
}
