package yentra.core.repair;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import yentra.core.check.CheckContext;
import yentra.core.check.Finding;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Space;
import yentra.core.envelope.Zone;
import yentra.core.library.Library;

/** What answers findings about uses, set-points and zones, the best first. */
final class ConditionRemedies {
  private static final double HEATING = ZoneProposal.HEATING;
  private static final double COOLING = ZoneProposal.COOLING;

  private final CheckContext context;
  private final Envelope envelope;

  ConditionRemedies(CheckContext context) {
    this.context = context;
    this.envelope = context.envelope();
  }

  List<Remedy> of(Finding f) {
    List<Remedy> out = new ArrayList<>();
    switch (f.code()) {
      case "USE-901" -> conditions(f, out);
      case "USE-902" -> crossed(f, out);
      case "USE-903" -> noZone(f, out);
      case "USE-904" -> mixed(f, out);
      default -> {}
    }
    return out;
  }

  private List<Space> spaces(Finding f) {
    return f.objects().stream().flatMap(k -> envelope.space(k).stream()).toList();
  }

  private Zone zone(Finding f) {
    return envelope.zones().stream()
        .filter(z -> f.objects().contains(z.key()))
        .findFirst()
        .orElse(null);
  }

  private void conditions(Finding f, List<Remedy> out) {
    if (f.subject().equals("zone")) {
      noZone(f, out);
      return;
    }
    Zone z = zone(f);
    if (z != null) {
      boolean heat = f.subject().contains("heating");
      boolean cool = f.subject().contains("cooling");
      out.add(
          new Remedy(
              String.format(
                  Locale.ROOT,
                  "Set %s",
                  heat && cool ? "20 and 26 °C" : heat ? "20 °C for heating" : "26 °C for cooling"),
              new AmendZone(z.key(), null, heat ? HEATING : null, cool ? COOLING : null)));
      return;
    }
    List<Space> spaces = spaces(f);
    Map<String, List<String>> byUse = new TreeMap<>();
    for (Space s : spaces) {
      Library.shipped()
          .useByName(s.label())
          .ifPresent(u -> byUse.computeIfAbsent(u.name(), k -> new ArrayList<>()).add(s.key()));
    }
    if (!byUse.isEmpty()) {
      List<Repair> all =
          byUse.entrySet().stream()
              .<Repair>map(u -> new GiveUse(u.getValue(), u.getKey(), null, null))
              .toList();
      out.add(
          new Remedy(
              "Give "
                  + (spaces.size() == 1 ? "it " : "them ")
                  + "the use that the name says: "
                  + byUse.keySet().stream().limit(3).collect(Collectors.joining(", ")),
              all.size() == 1
                  ? all.get(0)
                  : new Several("Gives spaces the use that their names say", all)));
    }
    if (byUse.isEmpty() && spaces.size() > 1) {
      out.add(
          new Remedy(
              "Give all of them the use OfficeEnclosed, to begin with",
              new GiveUse(spaces.stream().map(Space::key).toList(), "OfficeEnclosed", null, null)));
    }
    Map<String, Long> uses =
        envelope.spaces().stream()
            .map(Space::use)
            .filter(u -> !u.isBlank())
            .collect(Collectors.groupingBy(u -> u, TreeMap::new, Collectors.counting()));
    uses.entrySet().stream()
        .max(Map.Entry.comparingByValue())
        .ifPresent(
            u ->
                out.add(
                    new Remedy(
                        "Give it the use of most spaces: " + u.getKey(),
                        new GiveUse(
                            spaces.stream().map(Space::key).toList(), u.getKey(), null, null))));
  }

  private void crossed(Finding f, List<Remedy> out) {
    Zone z = zone(f);
    if (z == null) {
      return;
    }
    if (z.heatingSetPoint() > z.coolingSetPoint()) {
      out.add(
          new Remedy(
              "Exchange the two",
              new AmendZone(z.key(), null, z.coolingSetPoint(), z.heatingSetPoint())));
    }
    out.add(new Remedy("Set 20 and 26 °C", new AmendZone(z.key(), null, HEATING, COOLING)));
  }

  private void noZone(Finding f, List<Remedy> out) {
    List<Space> spaces = spaces(f);
    if (spaces.size() > 1) {
      out.add(new Remedy("Zones by use and condition", ZoneProposal.byUse(envelope, spaces)));
    }
    if (spaces.size() == 1) {
      Space s = spaces.get(0);
      // the zone of most spaces that are used and conditioned alike, then of its storey
      Map<String, Double> score = new TreeMap<>();
      for (Space x : envelope.spaces()) {
        if (x.zone() != null && envelope.zones().stream().anyMatch(z -> z.key().equals(x.zone()))) {
          boolean alike = x.use().equals(s.use()) && x.condition().equals(s.condition());
          boolean near = s.storey() != null && s.storey().equals(x.storey());
          score.merge(x.zone(), (alike ? 10.0 : 0) + (near ? 1 : 0) + 0.001, Double::sum);
        }
      }
      score.entrySet().stream()
          .max(Map.Entry.comparingByValue())
          .ifPresent(
              z ->
                  out.add(
                      new Remedy(
                          "Put it into the zone " + context.naming().object(z.getKey()),
                          new GiveZone(List.of(s.key()), z.getKey(), null, null, null))));
    }
    out.add(
        new Remedy(
            spaces.size() == 1 ? "Give it a zone of its own" : "One zone for each of them",
            several(
                spaces.stream()
                    .<Repair>map(
                        s -> new GiveZone(List.of(s.key()), null, s.label(), HEATING, COOLING))
                    .toList())));
  }

  private static Repair several(List<Repair> all) {
    return all.size() == 1 ? all.get(0) : new Several("Gives spaces zones", all);
  }

  private void mixed(Finding f, List<Remedy> out) {
    Zone z = zone(f);
    List<Space> spaces = spaces(f);
    if (z != null && spaces.size() > 1) {
      out.add(new Remedy("Split it by use and condition", ZoneProposal.split(envelope, z, spaces)));
    }
  }
}
