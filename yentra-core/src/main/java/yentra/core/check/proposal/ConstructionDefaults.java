package yentra.core.check.proposal;

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
import yentra.core.repair.construction.ConstructionSpec;

/** What surfaces without a construction can be given by their type. */
public final class ConstructionDefaults {
  /**
   * For the surfaces of one type.
   *
   * @param type in words
   * @param gbxml the type as gbXML writes it
   * @param surfaces keys
   * @param name of the construction
   * @param origin why it is this one
   */
  public record Default(
      String type,
      String gbxml,
      List<String> surfaces,
      ConstructionSpec construction,
      String name,
      Origin origin) {}

  /** Why a construction is proposed. */
  public enum Origin {
    /** The project says so. */
    PROJECT,
    /** Most of the type's area has it. */
    USUAL,
    /** The model has none for the type; it is the library's first. */
    LIBRARY
  }

  private ConstructionDefaults() {}

  /**
   * What the project has chosen for a type, else the construction that has most of its area, else
   * the library's first for it.
   *
   * @param chosen names of library constructions by gbXML's surface type
   */
  public static List<Default> of(Envelope e, Library library, Map<String, String> chosen) {
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
          Optional<Library.LibraryConstruction> own =
              Optional.ofNullable(chosen.get(type.gbxml())).flatMap(library::construction);
          Optional<Library.LibraryConstruction> first =
              library.constructions().stream()
                  .filter(x -> x.use().equals(ConstructionChoice.kind(type)))
                  .findFirst();
          if (own.isPresent()) {
            out.add(of(library, type, surfaces, own.get(), Origin.PROJECT));
          } else if (usual.isPresent()) {
            out.add(
                new Default(
                    type.label(),
                    type.gbxml(),
                    surfaces,
                    ConstructionSpec.existing(usual.get()),
                    e.construction(usual.get()).map(Construction::label).orElseThrow(),
                    Origin.USUAL));
          } else {
            first.ifPresent(x -> out.add(of(library, type, surfaces, x, Origin.LIBRARY)));
          }
        });
    return out;
  }

  private static Default of(
      Library library,
      SurfaceType type,
      List<String> surfaces,
      Library.LibraryConstruction c,
      Origin origin) {
    return new Default(
        type.label(), type.gbxml(), surfaces, ConstructionSpec.of(library, c), c.name(), origin);
  }
}
