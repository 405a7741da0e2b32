package yentra.core.repair.space;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Exposure;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Space;
import yentra.core.envelope.Storey;
import yentra.core.envelope.Surface;
import yentra.core.geometry.Box;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Vec3;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Target;

/**
 * Names spaces by a rule: text with {@code {name}}, {@code {storey}}, {@code {use}}, {@code
 * {facing}} (the direction of most of the outer wall, or "inside") and {@code {number}}, which
 * counts spaces whose other parts are the same, storey by storey from the north-west.
 *
 * @param spaces keys; empty for all
 */
public record NameSpaces(String rule, List<String> spaces) implements Repair {
  private static final Pattern PART = Pattern.compile("\\{(\\w+)}");
  private static final Set<String> PARTS = Set.of("name", "storey", "use", "facing", "number");
  private static final String[] WINDS = {"N", "NE", "E", "SE", "S", "SW", "W", "NW"};
  private static final int LONGEST = 200;

  public NameSpaces {
    rule = rule == null ? "" : rule;
    spaces = spaces == null ? List.of() : List.copyOf(spaces);
  }

  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    Map<String, String> names = names(e, rules);
    if (e.spaces().stream().allMatch(s -> s.name().equals(names.getOrDefault(s.key(), s.name())))) {
      throw new NotApplicableException("The spaces have these names already.");
    }
    return e.withSpaces(
        e.spaces().stream()
            .map(s -> names.containsKey(s.key()) ? s.withName(names.get(s.key())) : s)
            .toList());
  }

  /**
   * The names that the rule gives, by key.
   *
   * @throws NotApplicableException when the rule is empty or has a part that does not exist
   */
  public Map<String, String> names(Envelope e, Rules rules) throws NotApplicableException {
    if (rule.isBlank() || rule.length() > LONGEST) {
      throw new NotApplicableException("Give a rule for the names, of at most 200 characters.");
    }
    Matcher m = PART.matcher(rule);
    while (m.find()) {
      if (!PARTS.contains(m.group(1))) {
        throw new NotApplicableException(
            "There is no part {"
                + m.group(1)
                + "}; there are {name}, {storey}, {use}, {facing} and {number}.");
      }
    }
    for (String key : spaces) {
      Target.space(e, key);
    }
    Set<String> chosen = new HashSet<>(spaces);
    Map<String, Box> boxes = new HashMap<>();
    Map<String, double[]> facing = new HashMap<>();
    for (Surface s : e.surfaces()) {
      for (int i = 0; i < s.sides().size(); i++) {
        Polygon face = s.face(i);
        boxes.merge(s.sides().get(i).space(), face.box(), Box::union);
        if (s.exposure() == Exposure.OUTDOOR && rules.types().isUpright(face.tilt())) {
          int wind = (int) Math.round(e.site().fromTrueNorth(face.azimuth()) / 45) % 8;
          facing.computeIfAbsent(s.sides().get(i).space(), k -> new double[8])[wind] += face.area();
        }
      }
    }
    List<Space> order = new ArrayList<>();
    for (Space s : e.spaces()) {
      if (chosen.isEmpty() || chosen.contains(s.key())) {
        order.add(s);
      }
    }
    order.sort(
        Comparator.comparingDouble((Space s) -> level(e, s))
            .thenComparingDouble(s -> -Math.rint(centre(boxes, s).y()))
            .thenComparingDouble(s -> centre(boxes, s).x())
            .thenComparing(Space::key));
    Map<String, Integer> numbers = new HashMap<>();
    Map<String, String> out = new LinkedHashMap<>();
    for (Space s : order) {
      String bare = filled(e, s, facing.get(s.key()));
      int n = numbers.merge(bare, 1, Integer::sum);
      out.put(s.key(), bare.replace("{number}", String.format(Locale.ROOT, "%02d", n)).strip());
    }
    return out;
  }

  private String filled(Envelope e, Space s, double[] facing) {
    return rule.replace("{name}", s.name())
        .replace("{storey}", storey(e, s).map(Storey::name).orElse(""))
        .replace("{use}", s.use())
        .replace("{facing}", facing == null ? "inside" : wind(facing));
  }

  private static String wind(double[] areas) {
    int best = 0;
    for (int i = 1; i < 8; i++) {
      if (areas[i] > areas[best] + 1e-6) {
        best = i;
      }
    }
    return WINDS[best];
  }

  private static java.util.Optional<Storey> storey(Envelope e, Space s) {
    return e.storey(s.storey());
  }

  private static double level(Envelope e, Space s) {
    return storey(e, s).map(Storey::level).filter(l -> l != null).orElse(0.0);
  }

  private static Vec3 centre(Map<String, Box> boxes, Space s) {
    Box b = boxes.get(s.key());
    return b == null ? Vec3.ZERO : b.centre();
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new NameSpaces(rule, keys.of(spaces));
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    return "Names "
        + (spaces.isEmpty()
            ? "all spaces"
            : spaces.size() == 1 ? naming.space(spaces.get(0)) : spaces.size() + " spaces")
        + " by the rule “"
        + rule
        + "”.";
  }
}
