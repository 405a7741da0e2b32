package yentra.core.library;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Glazing;
import yentra.core.envelope.Material;
import yentra.core.envelope.ScheduleProfile;
import yentra.core.envelope.YearSchedule;
import yentra.core.library.Library.LibraryConstruction;
import yentra.core.library.Library.LibraryGlazing;
import yentra.core.library.Library.LibraryLayer;
import yentra.core.library.Library.LibraryMaterial;
import yentra.core.thermal.BuildUp;

/** What a delivery, or a gbXML file that is a library, knows of constructions and window types. */
public final class DeliveredLibrary {
  private final Map<String, LibraryMaterial> materials = new LinkedHashMap<>();
  private final String source;

  private DeliveredLibrary(String source) {
    this.source = source;
  }

  /**
   * Materials of one name and other values get a number; what says nothing is left out.
   *
   * @param source what to say of where the values come from, as a file's name
   */
  public static Library of(Envelope e, String source) {
    DeliveredLibrary d = new DeliveredLibrary(source);
    Map<String, BuildUp> buildUps = BuildUp.all(e);
    Map<String, LibraryConstruction> constructions = new LinkedHashMap<>();
    for (Construction c : e.constructions()) {
      BuildUp b = buildUps.get(c.key());
      List<LibraryLayer> layers = b.complete() ? d.layers(b) : List.of();
      if (!layers.isEmpty() || c.uValue() != null) {
        constructions.putIfAbsent(
            Library.plain(c.label()),
            new LibraryConstruction(c.label(), "", layers, c.uValue(), source));
      }
    }
    Map<String, LibraryGlazing> glazings = new LinkedHashMap<>();
    for (Glazing g : e.glazings()) {
      if (g.uValue() != null) {
        glazings.putIfAbsent(
            Library.plain(g.label()),
            new LibraryGlazing(
                g.label(), "", g.uValue(), g.solarHeatGain(), g.visibleTransmittance(), source));
      }
    }
    return new Library(
        List.copyOf(d.materials.values()),
        List.copyOf(constructions.values()),
        List.copyOf(glazings.values()),
        List.of(),
        List.of(),
        schedules(e, source));
  }

  /** Those of whole years; steps other than hours become hourly means. */
  private static List<LibrarySchedule> schedules(Envelope e, String source) {
    Map<String, LibrarySchedule> out = new LinkedHashMap<>();
    for (YearSchedule y : e.schedules().years()) {
      ScheduleProfile p = e.schedules().profile(y.key()).orElseThrow();
      if (p.problem() == null) {
        out.putIfAbsent(Library.plain(p.name()), new LibrarySchedule(p.hourly(), source));
      }
    }
    return List.copyOf(out.values());
  }

  /** Empty when a material says neither conductivity nor resistance. */
  private List<LibraryLayer> layers(BuildUp b) {
    List<LibraryLayer> out = new ArrayList<>();
    for (List<BuildUp.Constituent> layer : b.layers()) {
      for (BuildUp.Constituent p : layer) {
        Material m = p.material();
        if (m.conductivity() == null && m.resistance() == null
            || m.conductivity() != null && m.thickness() == null) {
          return List.of();
        }
        out.add(
            new LibraryLayer(
                material(m), m.thickness(), layer.size() > 1 ? (Double) p.share() : null));
      }
    }
    return out;
  }

  private String material(Material m) {
    LibraryMaterial made =
        new LibraryMaterial(
            m.label(),
            "",
            m.conductivity(),
            m.density(),
            m.specificHeat(),
            m.conductivity() == null ? m.resistance() : null,
            source);
    String name = m.label();
    for (int i = 2; ; i++) {
      LibraryMaterial known = materials.get(Library.plain(name));
      if (known == null) {
        materials.put(
            Library.plain(name),
            new LibraryMaterial(
                name,
                "",
                made.conductivity(),
                made.density(),
                made.specificHeat(),
                made.resistance(),
                source));
        return name;
      }
      boolean same =
          Objects.equals(known.conductivity(), made.conductivity())
              && Objects.equals(known.density(), made.density())
              && Objects.equals(known.specificHeat(), made.specificHeat())
              && Objects.equals(known.resistance(), made.resistance());
      if (same) {
        return name;
      }
      name = m.label() + " (" + i + ")";
    }
  }
}
