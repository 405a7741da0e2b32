package yentra.core.check.thermal;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import yentra.core.check.proposal.ConstructionChoice;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Material;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Surface;
import yentra.core.library.Library;
import yentra.core.repair.Repair;
import yentra.core.repair.Several;
import yentra.core.repair.construction.ConstructionSpec;
import yentra.core.repair.construction.GiveConstruction;

/** The usual construction for each type of surface, or values for materials of known names. */
final class NothingThermalRemedies {
  private NothingThermalRemedies() {}

  static void of(Offer o) {
    usual(o);
    named(o);
  }

  private static void usual(Offer o) {
    Set<String> silentOnes = new HashSet<>(o.finding().objects());
    Map<String, List<String>> kinds = new TreeMap<>();
    for (Surface s : o.envelope().surfaces()) {
      if (silentOnes.contains(s.construction()) && !s.type().isShading()) {
        kinds
            .computeIfAbsent(ConstructionChoice.kind(s.type()), k -> new ArrayList<>())
            .add(s.key());
      }
      for (Opening x : s.openings()) {
        if (!x.type().isGlazed() && silentOnes.contains(x.construction())) {
          kinds.computeIfAbsent("Door", k -> new ArrayList<>()).add(x.key());
        }
      }
    }
    List<Repair> usual = new ArrayList<>();
    kinds.forEach(
        (kind, keys) ->
            ConstructionChoice.shipped(kind)
                .ifPresent(
                    c ->
                        usual.add(
                            new GiveConstruction(
                                keys, ConstructionSpec.of(Library.shipped(), c)))));
    if (!usual.isEmpty()) {
      String label = "Give the usual construction by type";
      o.add(label, new Several(label, usual));
    }
  }

  private static void named(Offer o) {
    List<Material> silent =
        o.finding().objects().stream()
            .flatMap(c -> o.context().thermal().silentMaterials(c).stream())
            .distinct()
            .toList();
    List<Repair> named = new ArrayList<>();
    for (Material m : silent) {
      ConstructionChoice.likeLibrary(m).ifPresent(r -> named.add(r.repair()));
    }
    if (!named.isEmpty()) {
      String label = "Take library values for materials by their names";
      o.add(
          named.size() == silent.size()
              ? label
              : label + " (" + named.size() + " of " + silent.size() + ")",
          new Several(label, named));
    }
  }
}
