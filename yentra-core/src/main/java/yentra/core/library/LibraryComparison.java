package yentra.core.library;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import yentra.core.library.Library.Item;
import yentra.core.library.Library.LibraryConstruction;
import yentra.core.library.Library.LibraryFrame;
import yentra.core.library.Library.LibraryGlazing;
import yentra.core.library.Library.LibraryLayer;
import yentra.core.library.Library.LibraryMaterial;

/** What a library brings in beside another: new, equal and different entries, by name. */
public final class LibraryComparison {
  private LibraryComparison() {}

  public enum Status {
    NEW,
    EQUAL,
    DIFFERENT
  }

  /**
   * One entry that comes in.
   *
   * @param kind material, construction, window type, frame, use or schedule
   * @param differences what differs, as "conductivity 0.036 → 0.034 W/mK"
   */
  public record Imported(String kind, String name, Status status, List<String> differences) {
    /** By which it is chosen. */
    public String id() {
      return kind + ":" + Library.plain(name);
    }
  }

  /** Every entry of a library that comes in, in its order. */
  public static List<Imported> of(Library own, Library incoming) {
    List<Imported> out = new ArrayList<>();
    incoming.materials().forEach(m -> out.add(entry(own.materials(), m)));
    incoming.constructions().forEach(c -> out.add(entry(own.constructions(), c)));
    incoming.glazings().forEach(g -> out.add(entry(own.glazings(), g)));
    incoming.frames().forEach(f -> out.add(entry(own.frames(), f)));
    incoming.uses().forEach(u -> out.add(entry(own.uses(), u)));
    incoming.schedules().forEach(s -> out.add(entry(own.schedules(), s)));
    return out;
  }

  private static <T extends Item> Imported entry(List<T> own, T item) {
    Optional<T> old = Library.named(own, item.name());
    List<String> differences = old.map(o -> differences(o, item)).orElse(List.of());
    return new Imported(
        kind(item),
        item.name(),
        old.isEmpty() ? Status.NEW : differences.isEmpty() ? Status.EQUAL : Status.DIFFERENT,
        differences);
  }

  static String kind(Item item) {
    if (item instanceof LibraryMaterial) {
      return "material";
    }
    if (item instanceof LibraryConstruction) {
      return "construction";
    }
    if (item instanceof LibraryGlazing) {
      return "window type";
    }
    if (item instanceof LibraryFrame) {
      return "frame";
    }
    return item instanceof SpaceUse ? "use" : "schedule";
  }

  private static List<String> differences(Item a, Item b) {
    List<String> out = new ArrayList<>();
    if (a instanceof LibraryMaterial x && b instanceof LibraryMaterial y) {
      number(out, "conductivity", x.conductivity(), y.conductivity(), "W/mK");
      number(out, "density", x.density(), y.density(), "kg/m³");
      number(out, "specific heat", x.specificHeat(), y.specificHeat(), "J/kgK");
      number(out, "resistance", x.resistance(), y.resistance(), "m²K/W");
    } else if (a instanceof LibraryConstruction x && b instanceof LibraryConstruction y) {
      text(out, "meant for", x.use(), y.use());
      number(out, "U-value", x.uValue(), y.uValue(), "W/m²K");
      layers(out, x.layers(), y.layers());
    } else if (a instanceof LibraryGlazing x && b instanceof LibraryGlazing y) {
      number(out, "U-value", x.uValue(), y.uValue(), "W/m²K");
      number(out, "solar heat gain", x.solarHeatGain(), y.solarHeatGain(), "");
      number(out, "visible transmittance", x.visibleTransmittance(), y.visibleTransmittance(), "");
    } else if (a instanceof LibraryFrame x && b instanceof LibraryFrame y) {
      number(out, "U-value", x.uValue(), y.uValue(), "W/m²K");
      number(out, "ψ uncoated", x.psiClear(), y.psiClear(), "W/mK");
      number(out, "ψ coated", x.psiCoated(), y.psiCoated(), "W/mK");
    } else if (a instanceof SpaceUse x && b instanceof SpaceUse y) {
      uses(out, x, y);
    } else if (a instanceof LibrarySchedule x
        && b instanceof LibrarySchedule y
        && !(x.profile().type().equals(y.profile().type())
            && x.profile().periods().equals(y.profile().periods()))) {
      out.add("other values");
    }
    return out;
  }

  private static void uses(List<String> out, SpaceUse x, SpaceUse y) {
    text(out, "words", String.join(";", x.words()), String.join(";", y.words()));
    number(out, "area per person", x.areaPerPerson(), y.areaPerPerson(), "m²");
    number(out, "sensible heat", x.sensiblePerPerson(), y.sensiblePerPerson(), "W");
    number(out, "latent heat", x.latentPerPerson(), y.latentPerPerson(), "W");
    number(out, "light", x.lighting(), y.lighting(), "W/m²");
    number(out, "equipment", x.equipment(), y.equipment(), "W/m²");
    number(out, "outdoor air per person", x.airPerPerson(), y.airPerPerson(), "l/s");
    number(out, "outdoor air per area", x.airPerArea(), y.airPerArea(), "l/(s·m²)");
    number(out, "heated to", x.heating(), y.heating(), "°C");
    number(out, "cooled to", x.cooling(), y.cooling(), "°C");
    text(out, "schedule of people", x.times().people(), y.times().people());
    text(out, "schedule of light", x.times().lighting(), y.times().lighting());
    text(out, "schedule of equipment", x.times().equipment(), y.times().equipment());
  }

  private static void text(List<String> out, String what, String a, String b) {
    if (!Objects.equals(a, b)) {
      out.add(what + " " + (a == null ? "none" : a) + " → " + (b == null ? "none" : b));
    }
  }

  private static void layers(List<String> out, List<LibraryLayer> a, List<LibraryLayer> b) {
    if (a.size() != b.size()) {
      out.add(a.size() + " → " + b.size() + " layers");
      return;
    }
    for (int i = 0; i < a.size(); i++) {
      LibraryLayer x = a.get(i);
      LibraryLayer y = b.get(i);
      if (!Library.plain(x.material()).equals(Library.plain(y.material()))) {
        out.add("layer " + (i + 1) + " " + x.material() + " → " + y.material());
      }
      number(out, "thickness of layer " + (i + 1), x.thickness(), y.thickness(), "m");
      number(out, "share of layer " + (i + 1), x.share(), y.share(), "");
    }
  }

  private static void number(List<String> out, String what, Double a, Double b, String unit) {
    boolean same =
        Objects.equals(a, b)
            || a != null && b != null && Math.abs(a - b) <= 1e-9 * Math.max(Math.abs(a), 1e-12);
    if (!same) {
      out.add((what + " " + text(a) + " → " + text(b) + " " + unit).strip());
    }
  }

  private static String text(Double v) {
    return v == null
        ? "none"
        : java.math.BigDecimal.valueOf(v).stripTrailingZeros().toPlainString();
  }

  /**
   * A library with chosen entries of another; of what is different the chosen ones replace the own.
   *
   * @param taken ids of entries
   */
  public static Library with(Library own, Library incoming, Set<String> taken) {
    Library chosen =
        new Library(
            chosen(incoming.materials(), taken),
            chosen(incoming.constructions(), taken),
            chosen(incoming.glazings(), taken),
            chosen(incoming.frames(), taken),
            chosen(incoming.uses(), taken),
            chosen(incoming.schedules(), taken));
    return new Library(
        merged(own.materials(), chosen.materials()),
        merged(own.constructions(), chosen.constructions()),
        merged(own.glazings(), chosen.glazings()),
        merged(own.frames(), chosen.frames()),
        merged(own.uses(), chosen.uses()),
        merged(own.schedules(), chosen.schedules()));
  }

  private static <T extends Item> List<T> chosen(List<T> list, Set<String> taken) {
    return list.stream()
        .filter(x -> taken.contains(kind(x) + ":" + Library.plain(x.name())))
        .toList();
  }

  /** Replaced ones keep their place; new ones come last. */
  private static <T extends Item> List<T> merged(List<T> own, List<T> news) {
    List<T> out = new ArrayList<>();
    Set<String> used = new HashSet<>();
    for (T o : own) {
      Optional<T> n = Library.named(news, o.name());
      n.ifPresent(x -> used.add(Library.plain(x.name())));
      out.add(n.orElse(o));
    }
    news.stream().filter(x -> !used.contains(Library.plain(x.name()))).forEach(out::add);
    return out;
  }
}
