package yentra.core.library;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.Extras;
import yentra.core.envelope.Material;
import yentra.core.envelope.SourceRef;
import yentra.core.thermal.BuildUp;
import yentra.core.thermal.UValueBreakdown;

/**
 * Materials, constructions, window types, frames, uses of spaces and schedules with the source of
 * their values. Names are unique within their kind, capitals and blanks aside. All values are in SI
 * units.
 */
public record Library(
    List<LibraryMaterial> materials,
    List<LibraryConstruction> constructions,
    List<LibraryGlazing> glazings,
    List<LibraryFrame> frames,
    List<SpaceUse> uses,
    List<LibrarySchedule> schedules) {
  public static final Library EMPTY =
      new Library(List.of(), List.of(), List.of(), List.of(), List.of(), List.of());

  public Library {
    materials = materials == null ? List.of() : List.copyOf(materials);
    constructions = constructions == null ? List.of() : List.copyOf(constructions);
    glazings = glazings == null ? List.of() : List.copyOf(glazings);
    frames = frames == null ? List.of() : List.copyOf(frames);
    uses = uses == null ? List.of() : List.copyOf(uses);
    schedules = schedules == null ? List.of() : List.copyOf(schedules);
  }

  /** What all entries have. */
  public sealed interface Item
      permits LibraryMaterial,
          LibraryConstruction,
          LibraryGlazing,
          LibraryFrame,
          SpaceUse,
          LibrarySchedule {
    String name();

    /** Where the values come from, or empty. */
    String source();
  }

  /**
   * @param category for grouping, or empty
   * @param conductivity W/(mK), or null
   * @param density kg/m³, or null
   * @param specificHeat J/(kgK), or null
   * @param resistance m²K/W of what has no conductivity, as an air layer, or null
   */
  public record LibraryMaterial(
      String name,
      String category,
      Double conductivity,
      Double density,
      Double specificHeat,
      Double resistance,
      String source)
      implements Item {}

  /**
   * @param thickness m, or null for a material with a resistance only
   * @param share of the layer's area where several materials lie side by side; null for all of it
   */
  public record LibraryLayer(String material, Double thickness, Double share) {}

  /**
   * @param use what it is for, as "Exterior wall", or empty
   * @param layers from outside to inside; those with a share belong to one layer as long as their
   *     shares do not add up to 1
   * @param uValue stated, W/(m²K), or null
   */
  public record LibraryConstruction(
      String name, String use, List<LibraryLayer> layers, Double uValue, String source)
      implements Item {
    public LibraryConstruction {
      layers = List.copyOf(layers);
    }
  }

  /**
   * @param uValue of the whole window, W/(m²K)
   * @param solarHeatGain 0 to 1
   * @param visibleTransmittance 0 to 1
   */
  public record LibraryGlazing(
      String name,
      String category,
      Double uValue,
      Double solarHeatGain,
      Double visibleTransmittance,
      String source)
      implements Item {}

  /**
   * @param uValue Uf, W/(m²K)
   * @param psiClear ψ with glass without coating, W/(mK), or null
   * @param psiCoated ψ with coated or gas-filled glass, or null
   */
  public record LibraryFrame(
      String name, Double uValue, Double psiClear, Double psiCoated, String source)
      implements Item {}

  /** All entries, by kind. */
  public List<Item> items() {
    List<Item> out = new ArrayList<>(materials);
    out.addAll(constructions);
    out.addAll(glazings);
    out.addAll(frames);
    out.addAll(uses);
    out.addAll(schedules);
    return out;
  }

  /** What two names must not share within a kind. */
  static String plain(String name) {
    return name.strip().replaceAll("\\s+", " ").toLowerCase(Locale.ROOT);
  }

  public Optional<LibraryMaterial> material(String name) {
    return named(materials, name);
  }

  public Optional<LibraryConstruction> construction(String name) {
    return named(constructions, name);
  }

  public Optional<LibraryGlazing> glazing(String name) {
    return named(glazings, name);
  }

  public Optional<LibrarySchedule> schedule(String name) {
    return named(schedules, name);
  }

  public Optional<SpaceUse> use(String name) {
    return named(uses, name);
  }

  /**
   * The use one of whose words a space's name has; the longest decides, then the first use. A word
   * is met as a whole, or in the plural; several in their order; one that ends in {@code *} by its
   * beginning. Capitals and accents do not count. So an operating theatre is no theatre, and a
   * classification is no class.
   */
  public Optional<SpaceUse> useByName(String name) {
    String plain = ' ' + folded(name) + ' ';
    SpaceUse best = null;
    int longest = 0;
    for (SpaceUse u : uses) {
      for (String w : u.words()) {
        String word = folded(w);
        if (word.length() > longest && has(plain, word, w.strip().endsWith("*"))) {
          longest = word.length();
          best = u;
        }
      }
    }
    return Optional.ofNullable(best);
  }

  /** Words in lower case without accents, one space between them. */
  static String folded(String text) {
    return Normalizer.normalize(text, Normalizer.Form.NFD)
        .toLowerCase(Locale.ROOT)
        .replace("ß", "ss")
        .replace("ø", "o")
        .replace("æ", "ae")
        .replace("œ", "oe")
        .replaceAll("\\p{M}+", "")
        .replaceAll("[^\\p{L}\\p{N}]+", " ")
        .strip();
  }

  private static boolean has(String text, String word, boolean beginning) {
    for (int at = text.indexOf(' ' + word); at >= 0; at = text.indexOf(' ' + word, at + 1)) {
      String rest = text.substring(at + 1 + word.length());
      if (beginning || rest.startsWith(" ") || rest.startsWith("s ") || rest.startsWith("es ")) {
        return true;
      }
    }
    return false;
  }

  static <T extends Item> Optional<T> named(List<T> list, String name) {
    String plain = plain(name);
    return list.stream().filter(x -> plain(x.name()).equals(plain)).findFirst();
  }

  /** Everything of both; of what has the same name, this one's. */
  public Library over(Library other) {
    return new Library(
        joined(materials, other.materials),
        joined(constructions, other.constructions),
        joined(glazings, other.glazings),
        joined(frames, other.frames),
        joined(uses, other.uses),
        joined(schedules, other.schedules));
  }

  private static <T extends Item> List<T> joined(List<T> first, List<T> second) {
    List<T> out = new ArrayList<>(first);
    Map<String, T> known = new HashMap<>();
    first.forEach(x -> known.put(plain(x.name()), x));
    second.stream().filter(x -> !known.containsKey(plain(x.name()))).forEach(out::add);
    return out;
  }

  /**
   * U-value of a construction where it is meant to be used, W/(m²K): the stated one, else that of
   * its layers; empty where a value is missing.
   */
  public OptionalDouble uValue(LibraryConstruction c) {
    if (c.uValue() != null) {
      return OptionalDouble.of(c.uValue());
    }
    Double u = breakdown(c).map(UValueBreakdown::uValue).orElse(null);
    return u == null ? OptionalDouble.empty() : OptionalDouble.of(u);
  }

  /** How the U-value of a construction's layers comes about; empty when a material is not there. */
  public Optional<UValueBreakdown> breakdown(LibraryConstruction c) {
    List<List<BuildUp.Constituent>> layers = new ArrayList<>();
    List<BuildUp.Constituent> beside = new ArrayList<>();
    double filled = 0;
    for (LibraryLayer x : c.layers()) {
      Optional<LibraryMaterial> m = material(x.material());
      if (m.isEmpty()) {
        return Optional.empty();
      }
      Material made =
          new Material(
              x.material(),
              x.material(),
              x.thickness(),
              m.get().conductivity(),
              m.get().density(),
              m.get().specificHeat(),
              m.get().conductivity() == null ? m.get().resistance() : null,
              SourceRef.REPAIR,
              Extras.NONE);
      double share = x.share() == null ? 1 : x.share();
      beside.add(new BuildUp.Constituent(made, share));
      filled += share;
      if (filled > 1 - 1e-6) {
        layers.add(beside);
        beside = new ArrayList<>();
        filled = 0;
      }
    }
    return Optional.of(
        UValueBreakdown.of(new BuildUp(layers, beside.isEmpty()), position(c.use())));
  }

  private static UValueBreakdown.Position position(String use) {
    return switch (use) {
      case "Roof" -> new UValueBreakdown.Position(Exposure.OUTDOOR, 0);
      case "Exposed floor" -> new UValueBreakdown.Position(Exposure.OUTDOOR, 180);
      case "Ground floor" -> new UValueBreakdown.Position(Exposure.GROUND, 180);
      case "Wall in the ground" -> new UValueBreakdown.Position(Exposure.GROUND, 90);
      case "Interior wall" -> new UValueBreakdown.Position(Exposure.SPACE, 90);
      case "Interior floor" -> new UValueBreakdown.Position(Exposure.SPACE, 180, true);
      default -> UValueBreakdown.Position.WALL;
    };
  }

  private static final class Shipped {
    private static final Library LIBRARY = load();

    /** English words for materials, by a word of another language. */
    private static final Map<String, List<String>> WORDS = translations();

    private static Map<String, List<String>> translations() {
      try (InputStream in = Library.class.getResourceAsStream("material-words.csv")) {
        Map<String, List<String>> out = new HashMap<>();
        new String(in.readAllBytes(), StandardCharsets.UTF_8)
            .lines()
            .skip(1)
            .map(l -> l.split(",", 2))
            .forEach(l -> out.put(l[0], words(l[1])));
        return out;
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    }

    private static Library load() {
      Library all = EMPTY;
      for (String file :
          List.of(
              "materials.csv",
              "constructions.csv",
              "glazings.csv",
              "frames.csv",
              "schedules.csv",
              "uses.csv")) {
        try (InputStream in = Library.class.getResourceAsStream(file)) {
          LibraryFile read = LibraryFile.read(file, in.readAllBytes(), all);
          if (!read.faults().isEmpty()) {
            throw new IllegalStateException(file + ": " + read.faults().get(0));
          }
          all = all.over(read.library());
        } catch (IOException e) {
          throw new UncheckedIOException(e);
        }
      }
      return all;
    }
  }

  /** What ships with the product; the source of every value stands beside it. */
  public static Library shipped() {
    return Shipped.LIBRARY;
  }

  /**
   * The material whose name is most like a name: it shares the most words, of those the one with
   * the fewest others. Words of the trade in other languages count for the English ones. Empty when
   * it shares no word of three letters or more.
   */
  public Optional<LibraryMaterial> nearest(String name) {
    List<String> asked =
        words(name).stream()
            .flatMap(w -> Shipped.WORDS.getOrDefault(w, List.of(w)).stream())
            .toList();
    LibraryMaterial best = null;
    double most = 0;
    for (LibraryMaterial m : materials) {
      List<String> has = words(m.name());
      long common = asked.stream().filter(w -> has.stream().anyMatch(h -> alike(w, h))).count();
      double score = common == 0 ? 0 : common - has.size() / 100.0;
      if (score > most) {
        most = score;
        best = m;
      }
    }
    return Optional.ofNullable(best);
  }

  private static final List<String> EMPTY_WORDS =
      List.of("layer", "mm", "density", "medium", "high", "light", "with", "and", "board", "the");

  private static List<String> words(String name) {
    return Arrays.stream(name.toLowerCase(Locale.ROOT).split("[^\\p{L}]+"))
        .filter(w -> w.length() >= 3 && !EMPTY_WORDS.contains(w))
        .toList();
  }

  /** The same word, or one that begins with the other. */
  private static boolean alike(String a, String b) {
    return a.startsWith(b) || b.startsWith(a);
  }
}
