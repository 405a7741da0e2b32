package yentra.core.exchange;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import yentra.core.envelope.BoundaryKind;
import yentra.core.envelope.Construction;
import yentra.core.envelope.DaySchedule;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Extras;
import yentra.core.envelope.InternalGains;
import yentra.core.envelope.Layer;
import yentra.core.envelope.Schedules;
import yentra.core.envelope.Side;
import yentra.core.envelope.Space;
import yentra.core.envelope.Surface;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.envelope.WeekSchedule;
import yentra.core.envelope.YearSchedule;
import yentra.core.envelope.Zone;

/**
 * A part of a building as an envelope of its own: chosen spaces with their surfaces, and of all
 * else what these need. What lies between a chosen and another space becomes adiabatic, or keeps
 * its neighbour, for which a space without faces stands in. Nothing that is left refers to what is
 * not.
 */
public final class Excerpt {
  /** What becomes of surfaces between a chosen and another space. */
  public enum Edge {
    /** No heat flows through them. */
    ADIABATIC,
    /** Their neighbour stays, with its name but without faces. */
    KEEP
  }

  private static final Pattern REFERENCE = Pattern.compile("\\w*IdRef\\s*=\\s*[\"']([^\"']*)");

  private final Envelope whole;
  private final Set<String> chosen;
  private final Edge edge;
  private final SurfaceTypes types;
  private final Set<String> standIns = new LinkedHashSet<>();
  private final Set<String> gone = new HashSet<>();
  private int cut;
  private int closed;
  private int dropped;

  private Excerpt(Envelope whole, Set<String> chosen, Edge edge, SurfaceTypes types) {
    this.whole = whole;
    this.chosen = chosen;
    this.edge = edge;
    this.types = types;
  }

  /**
   * A part, and what was done at its edges.
   *
   * @param notes in sentences
   */
  public record Part(Envelope envelope, List<String> notes) {
    public Part {
      notes = List.copyOf(notes);
    }
  }

  /**
   * Keys of the spaces that are meant.
   *
   * @param wanted keys, ids of the file, or names; {@code *} stands for any characters
   * @throws IllegalArgumentException naming what stands for no space
   */
  public static Set<String> spaces(Envelope e, List<String> wanted) {
    Set<String> out = new LinkedHashSet<>();
    List<String> unknown = new ArrayList<>();
    for (String w : wanted) {
      if (w.isBlank()) {
        continue;
      }
      Pattern p = pattern(w.strip());
      Predicate<String> is =
          s -> s != null && p.matcher(s.strip().toLowerCase(Locale.ROOT)).matches();
      int before = out.size();
      boolean any = false;
      for (Space s : e.spaces()) {
        boolean exact = s.key().equals(w.strip()) || e.fileId(s.key()).equals(w.strip());
        if (exact
            || is.test(s.name())
            || w.contains("*") && (is.test(s.key()) || is.test(e.fileId(s.key())))) {
          out.add(s.key());
          any = true;
        }
      }
      if (!any && out.size() == before) {
        unknown.add(w.strip());
      }
    }
    if (!unknown.isEmpty()) {
      throw new IllegalArgumentException(
          "No space has the id or name " + String.join(", ", unknown) + ".");
    }
    return out;
  }

  private static Pattern pattern(String wanted) {
    StringBuilder b = new StringBuilder();
    for (String part : wanted.toLowerCase(Locale.ROOT).split("\\*", -1)) {
      b.append(b.length() == 0 ? "" : ".*").append(Pattern.quote(part));
    }
    return Pattern.compile(b.toString(), Pattern.DOTALL);
  }

  /**
   * The part of an envelope that chosen spaces make; the envelope itself when all are.
   *
   * @param chosen keys of spaces
   * @param types what a surface is by its tilt
   */
  public static Part of(Envelope e, Set<String> chosen, Edge edge, SurfaceTypes types) {
    if (e.spaces().stream().map(Space::key).allMatch(chosen::contains)) {
      return new Part(e, List.of());
    }
    return new Excerpt(e, Set.copyOf(chosen), edge, types).part();
  }

  private Part part() {
    List<Surface> surfaces = new ArrayList<>();
    for (Surface s : whole.surfaces()) {
      Surface kept = surface(s);
      if (kept != null) {
        surfaces.add(kept);
      } else {
        gone.add(s.key());
        s.openings().forEach(o -> gone.add(o.key()));
      }
    }
    List<Space> spaces = new ArrayList<>();
    for (Space s : whole.spaces()) {
      if (chosen.contains(s.key())) {
        spaces.add(s);
      } else if (standIns.contains(s.key())) {
        spaces.add(standIn(s));
      } else {
        gone.add(s.key());
      }
    }
    whole.orphans().forEach(o -> gone.add(o.key()));
    Envelope.Parts parts = needed(spaces, surfaces);
    return new Part(Envelope.of(parts), notes());
  }

  private List<String> notes() {
    List<String> notes = new ArrayList<>();
    notes.add(chosen.size() + " of " + whole.spaces().size() + " spaces are handed over.");
    if (cut > 0) {
      notes.add(
          edge == Edge.ADIABATIC
              ? cut + " surfaces towards the other spaces are adiabatic."
              : cut
                  + " surfaces keep neighbours that are left out; "
                  + standIns.size()
                  + " spaces without faces stand for these.");
    }
    if (closed > 0) {
      notes.add(closed + " openings in them are left out.");
    }
    if (!whole.orphans().isEmpty()) {
      notes.add(whole.orphans().size() + " openings that lie in no surface are left out.");
    }
    if (dropped > 0) {
      notes.add(dropped + " elements carried along from the file spoke of what is left out.");
    }
    notes.add("Walls and roofs of the other spaces no longer cast shadows.");
    return notes;
  }

  /** The surface as the part has it; null when it is none of the part's. */
  private Surface surface(Surface s) {
    if (s.sides().isEmpty()) {
      return s;
    }
    List<String> sides = s.sides().stream().map(Side::space).toList();
    boolean any = sides.stream().anyMatch(chosen::contains);
    if (!any || sides.stream().allMatch(chosen::contains)) {
      return any ? s : null;
    }
    cut++;
    if (edge == Edge.KEEP) {
      sides.stream().filter(k -> !chosen.contains(k)).forEach(standIns::add);
      return s;
    }
    int own = chosen.contains(sides.get(0)) ? 0 : 1;
    closed += s.openings().size();
    s.openings().forEach(o -> gone.add(o.key()));
    Surface faced =
        s.withPolygon(
            s.face(own),
            List.of(new Side(sides.get(own), null, Extras.NONE, s.sides().get(own).adjacency())));
    return faced
        .with()
        .kind(BoundaryKind.READ_2B)
        .type(types.betweenSpaces(faced.polygon().tilt()))
        .openings(List.of())
        .extras(faced.extras().withoutAttribute("surfaceType").withoutAttribute("exposedToSun"))
        .build();
  }

  private static Space standIn(Space s) {
    return Space.of(s.key())
        .with()
        .name(s.name())
        .storey(s.storey())
        .building(s.building())
        .use(s.use())
        .condition(s.condition())
        .gains(InternalGains.NONE)
        .source(s.source())
        .build();
  }

  /** Everything that is not referred to goes; what is carried along must not refer to it. */
  private Envelope.Parts needed(List<Space> spaces, List<Surface> surfaces) {
    Envelope.Parts p = whole.parts();
    Set<String> zones = used(spaces.stream().map(Space::zone).toList());
    Set<String> storeys = used(spaces.stream().map(Space::storey).toList());
    Set<String> constructions = new HashSet<>();
    Set<String> glazings = new HashSet<>();
    for (Surface s : surfaces) {
      constructions.add(String.valueOf(s.construction()));
      s.openings()
          .forEach(
              o -> {
                constructions.add(String.valueOf(o.construction()));
                glazings.add(String.valueOf(o.glazing()));
              });
    }
    List<Construction> built = kept(p.constructions(), Construction::key, constructions);
    Set<String> layers = new HashSet<>();
    built.forEach(c -> layers.addAll(c.layers()));
    List<Layer> layered = kept(p.layers(), Layer::key, layers);
    Set<String> materials = new HashSet<>();
    layered.forEach(l -> materials.addAll(l.materials()));
    List<Zone> zoned = kept(p.zones(), Zone::key, zones);
    Envelope.Parts out =
        p.with()
            .spaces(spaces)
            .surfaces(surfaces)
            .orphans(List.of())
            .uncovered(List.of())
            .zones(zoned)
            .storeys(kept(p.storeys(), x -> x.key(), storeys))
            .constructions(built)
            .layers(layered)
            .materials(kept(p.materials(), x -> x.key(), materials))
            .glazings(kept(p.glazings(), x -> x.key(), glazings))
            .schedules(schedules(spaces, zoned))
            .build();
    return out.with()
        .notes(p.notes().stream().filter(n -> !gone.contains(n.object())).toList())
        .spaces(out.spaces().stream().map(s -> s.withExtras(clean(s.extras()))).toList())
        .surfaces(out.surfaces().stream().map(this::clean).toList())
        .zones(out.zones().stream().map(z -> z.withExtras(clean(z.extras()))).toList())
        .delivered(
            p.delivered()
                .withRoot(clean(p.delivered().root()))
                .withCampusExtras(clean(p.delivered().campusExtras())))
        .build();
  }

  private static Set<String> used(List<String> keys) {
    Set<String> out = new HashSet<>(keys);
    out.removeIf(Objects::isNull);
    return out;
  }

  private <T> List<T> kept(
      List<T> all, java.util.function.Function<T, String> key, Set<String> used) {
    List<T> out = new ArrayList<>();
    for (T t : all) {
      if (used.contains(key.apply(t))) {
        out.add(t);
      } else {
        gone.add(key.apply(t));
      }
    }
    return out;
  }

  private Schedules schedules(List<Space> spaces, List<Zone> zones) {
    List<String> years = new ArrayList<>();
    for (Space s : spaces) {
      years.add(s.gains().schedules().people());
      years.add(s.gains().schedules().lighting());
      years.add(s.gains().schedules().equipment());
    }
    for (Zone z : zones) {
      years.add(z.schedules().heating());
      years.add(z.schedules().cooling());
      years.add(z.schedules().air());
    }
    Schedules all = whole.schedules();
    List<YearSchedule> y = kept(all.years(), YearSchedule::key, used(years));
    List<String> weeks = new ArrayList<>();
    y.forEach(s -> s.periods().forEach(q -> weeks.add(q.week())));
    List<WeekSchedule> w = kept(all.weeks(), WeekSchedule::key, used(weeks));
    List<String> days = new ArrayList<>();
    w.forEach(s -> s.days().forEach(d -> days.add(d.schedule())));
    return new Schedules(y, w, kept(all.days(), DaySchedule::key, used(days)));
  }

  private Surface clean(Surface s) {
    return s.with()
        .extras(clean(s.extras()))
        .sides(
            s.sides().stream()
                .map(x -> new Side(x.space(), x.face(), clean(x.boundary()), clean(x.adjacency())))
                .toList())
        .build();
  }

  /** What is carried along, without what refers to an object that is left out. */
  private Extras clean(Extras x) {
    if (x.isEmpty()) {
      return x;
    }
    List<Extras.Attribute> attributes =
        x.attributes().stream()
            .filter(a -> !(a.name().endsWith("IdRef") && gone.contains(a.value())))
            .toList();
    List<String> fragments = x.fragments().stream().filter(f -> !refersToGone(f)).toList();
    dropped += x.attributes().size() - attributes.size() + x.fragments().size() - fragments.size();
    return new Extras(attributes, fragments, x.children());
  }

  private boolean refersToGone(String fragment) {
    Matcher m = REFERENCE.matcher(fragment);
    while (m.find()) {
      if (gone.contains(m.group(1))) {
        return true;
      }
    }
    return false;
  }
}
