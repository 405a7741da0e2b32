package yentra.core.ifc;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import yentra.core.boundary.DeliveredBoundary.Role;
import yentra.core.model.Element;
import yentra.core.model.PropertyValue;

/** What fills an opening, and what it lets through. */
final class IfcFilling {
  /** A door with more glass than this share lets light through: common practice, no source. */
  private static final double GLAZED = 0.5;

  private IfcFilling() {}

  /**
   * Light passes through windows, through doors that are mostly glass, and through panels made of
   * glass.
   */
  static Role role(IfcModel model, Element filling) {
    if (model.isKind(filling.entity(), "IfcWindow")) {
      return Role.WINDOW;
    }
    boolean light =
        model.isKind(filling.entity(), "IfcDoor")
            ? isGlazed(model, filling)
            : glass(model, filling);
    return light ? Role.WINDOW : Role.DOOR;
  }

  /**
   * What fills an opening side by side, such as a door and its side lights, or the parts of an
   * assembly. Of several only those that have a body of their own, since the opening's body says
   * nothing about where each of them lies.
   */
  static List<Element> panels(IfcModel model, Element opening) {
    List<Element> all = new ArrayList<>();
    for (int f : model.relations().fillings.get(opening.number())) {
      model.element(f).ifPresent(e -> all.addAll(parts(model, e)));
    }
    if (all.size() < 2) {
      return all;
    }
    List<Element> placed = all.stream().filter(e -> !model.body(e).faces().isEmpty()).toList();
    return placed.isEmpty() ? all.subList(0, 1) : placed;
  }

  /** The windows, doors and panels of an assembly; else the filling itself. */
  private static List<Element> parts(IfcModel model, Element filling) {
    List<Element> parts = new ArrayList<>();
    for (int p : model.relations().parts.get(filling.number())) {
      model
          .element(p)
          .filter(e -> isPanel(model, e) && !model.body(e).faces().isEmpty())
          .ifPresent(parts::add);
    }
    return parts.isEmpty() ? List.of(filling) : parts;
  }

  private static boolean isPanel(IfcModel model, Element e) {
    return model.isKind(e.entity(), "IfcWindow")
        || model.isKind(e.entity(), "IfcDoor")
        || model.isKind(e.entity(), "IfcPlate");
  }

  private static boolean isGlazed(IfcModel model, Element door) {
    return model
        .property(door, "", "GlazingAreaFraction")
        .map(p -> p.value())
        .filter(PropertyValue.Number.class::isInstance)
        .map(v -> ((PropertyValue.Number) v).value() > GLAZED)
        .orElse(false);
  }

  /** Light passes through what is made of glass; where nothing is said, a panel is glass. */
  static boolean glass(IfcModel model, Element e) {
    List<String> names = new ArrayList<>(model.materials(e).names());
    names.addAll(model.materials(e).aliases());
    return names.isEmpty() || names.stream().anyMatch(IfcFilling::isGlass);
  }

  /** How words for glass begin in the languages of the trade; compounds of German end in it. */
  private static final List<String> STEMS =
      List.of("glas", "glaz", "verre", "vitr", "vidrio", "vetro", "szkł", "szkl", "sklo");

  /** What is made of glass and lets no light through. */
  private static final List<String> FIBRES =
      List.of("fibre", "fiber", "faser", "wool", "woll", "wolle");

  /**
   * Whether a material is called glass: a word of its name begins as the word for glass does, or
   * ends in "glas", and none speaks of fibres or wool.
   */
  static boolean isGlass(String name) {
    boolean glass = false;
    for (String word : name.toLowerCase(Locale.ROOT).split("[^\\p{L}]+")) {
      if (FIBRES.stream().anyMatch(word::contains)) {
        return false;
      }
      glass |= STEMS.stream().anyMatch(word::startsWith) || word.endsWith("glas");
    }
    return glass;
  }
}
