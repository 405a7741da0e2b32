package yentra.server.handover;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Space;
import yentra.core.envelope.Zone;
import yentra.core.exchange.Excerpt;
import yentra.core.exchange.HandoverFormat;
import yentra.core.exchange.UnitSystem;
import yentra.server.web.Problem;

/**
 * What is to be handed over, understood.
 *
 * @param formats in the order of the list of formats
 * @param spaces keys of the spaces that are meant; empty for all
 * @param words which part that is; empty for all
 */
record Wish(
    List<HandoverFormat> formats,
    HandoverViews.PartView part,
    Set<String> spaces,
    String words,
    Excerpt.Edge edge,
    UnitSystem units,
    boolean report,
    boolean topics) {
  /**
   * Understands a request.
   *
   * @param units of the project
   * @throws Problem saying what of it cannot be done
   */
  static Wish of(HandoverViews.HandoverRequest asked, Envelope e, UnitSystem units) {
    HandoverViews.PartView part = asked.part() == null ? HandoverViews.PartView.ALL : asked.part();
    Set<String> spaces = spaces(part, e);
    boolean whole = part.by() == HandoverViews.PartBy.ALL || spaces.size() == e.spaces().size();
    return new Wish(
        formats(asked.formats()),
        part,
        whole ? Set.of() : spaces,
        whole ? "" : words(part, spaces, e),
        asked.edge() == null ? Excerpt.Edge.ADIABATIC : asked.edge(),
        asked.units() == null ? units : asked.units(),
        Boolean.TRUE.equals(asked.report()),
        Boolean.TRUE.equals(asked.topics()));
  }

  /** What a record says was wanted. */
  static Wish of(Provenance.Choice c) {
    return new Wish(
        formats(c.formats()),
        c.part(),
        new LinkedHashSet<>(c.spaces()),
        "",
        c.edge(),
        c.units(),
        c.report(),
        c.topics());
  }

  Provenance.Choice choice() {
    return new Provenance.Choice(
        formats.stream().map(HandoverFormat::code).toList(),
        part,
        List.copyOf(spaces),
        edge,
        units,
        report,
        topics);
  }

  private static List<HandoverFormat> formats(List<String> codes) {
    if (codes == null || codes.isEmpty()) {
      return List.of(HandoverFormat.GBXML_6_01);
    }
    Set<HandoverFormat> out = new java.util.TreeSet<>();
    for (String c : codes) {
      out.add(
          HandoverFormat.named(c == null ? "" : c)
              .orElseThrow(() -> Problem.bad("Files are not written as " + c + ".")));
    }
    return List.copyOf(out);
  }

  private static Set<String> spaces(HandoverViews.PartView part, Envelope e) {
    Set<String> out = new LinkedHashSet<>();
    switch (part.by()) {
      case ALL -> {
        return Set.of();
      }
      case NAMES -> {
        try {
          out.addAll(Excerpt.spaces(e, part.of()));
        } catch (IllegalArgumentException x) {
          throw Problem.notApplicable(x.getMessage());
        }
      }
      case SPACES -> {
        known(part.of(), k -> e.space(k).isPresent(), "space");
        out.addAll(part.of());
      }
      case STOREYS -> {
        known(part.of(), k -> e.storey(k).isPresent(), "storey");
        with(e, Space::storey, part.of(), out);
      }
      case ZONES -> {
        List<String> zones =
            e.zones().stream()
                .filter(z -> part.of().contains(z.key()) || part.of().contains(z.label()))
                .map(Zone::key)
                .toList();
        known(
            part.of(),
            k -> e.zones().stream().anyMatch(z -> z.key().equals(k) || z.label().equals(k)),
            "zone");
        with(e, Space::zone, zones, out);
      }
    }
    if (out.isEmpty()) {
      throw Problem.notApplicable("Choose spaces: the part that is asked for has none.");
    }
    return out;
  }

  private static void known(
      List<String> keys, java.util.function.Predicate<String> there, String what) {
    keys.stream()
        .filter(there.negate())
        .findFirst()
        .ifPresent(
            k -> {
              throw Problem.notApplicable("There is no " + what + " " + k + ".");
            });
  }

  private static void with(
      Envelope e, Function<Space, String> of, List<String> keys, Set<String> out) {
    e.spaces().stream()
        .filter(s -> of.apply(s) != null && keys.contains(of.apply(s)))
        .forEach(s -> out.add(s.key()));
  }

  private static String words(HandoverViews.PartView part, Set<String> spaces, Envelope e) {
    List<String> names = new ArrayList<>();
    for (String k : part.of()) {
      names.add(
          switch (part.by()) {
            case SPACES -> e.space(k).map(Space::label).orElse(k);
            case STOREYS -> e.storey(k).map(x -> x.name().isBlank() ? k : x.name()).orElse(k);
            case ZONES -> e.zone(k).map(z -> z.label()).orElse(k);
            default -> k;
          });
    }
    String said =
        names.size() > 4
            ? names.stream().limit(3).collect(Collectors.joining(", ")) + " and others"
            : String.join(", ", names);
    String kind =
        switch (part.by()) {
          case STOREYS -> names.size() == 1 ? "storey " : "storeys ";
          case ZONES -> names.size() == 1 ? "zone " : "zones ";
          default -> "";
        };
    return spaces.size() + " of " + e.spaces().size() + " spaces: " + kind + said;
  }

  /** Whether an object of the envelope has to do with the part. */
  boolean concerns(Envelope e, String key) {
    if (spaces.isEmpty() || spaces.contains(key)) {
      return true;
    }
    if (e.space(key).isPresent()) {
      return false;
    }
    return e.surface(key)
        .or(() -> e.parentOf(key))
        .map(
            s ->
                s.sides().isEmpty() || s.sides().stream().anyMatch(x -> spaces.contains(x.space())))
        .orElseGet(
            () ->
                e.zone(key).isEmpty()
                    || e.spaces().stream()
                        .filter(s -> Objects.equals(s.zone(), key))
                        .anyMatch(s -> spaces.contains(s.key())));
  }
}
