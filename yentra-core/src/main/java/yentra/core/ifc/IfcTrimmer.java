package yentra.core.ifc;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.BiPredicate;
import java.util.function.Predicate;
import yentra.core.model.Element;
import yentra.core.scope.ValueEdit;
import yentra.core.step.StepFile;
import yentra.core.step.StepInstance;
import yentra.core.step.StepLiteral;
import yentra.core.step.StepParameters;

/**
 * Writes the part of an IFC file that is in scope, in the same schema: elements in scope, the
 * spatial structure they stand in, and all that these refer to. Instances that stay are copied as
 * they stand; relationships lose what is out; property sets lose what is not kept, and get the
 * values that were set. GlobalIds and instance numbers stay.
 *
 * <p>Left out on purpose: presentation styles, connections between elements, documents, processes
 * and other relationships that say nothing about geometry, adjacency, materials or properties.
 */
public final class IfcTrimmer {
  /** Relationship classes that are kept, with the places of the one and of the many. */
  private static final Map<String, int[]> RELATIONS =
      Map.ofEntries(
          Map.entry("IFCRELAGGREGATES", new int[] {4, 5}),
          Map.entry("IFCRELNESTS", new int[] {4, 5}),
          Map.entry("IFCRELCONTAINEDINSPATIALSTRUCTURE", new int[] {5, 4}),
          Map.entry("IFCRELREFERENCEDINSPATIALSTRUCTURE", new int[] {5, 4}),
          Map.entry("IFCRELDEFINESBYTYPE", new int[] {5, 4}),
          Map.entry("IFCRELDEFINESBYPROPERTIES", new int[] {5, 4}),
          Map.entry("IFCRELASSOCIATESMATERIAL", new int[] {5, 4}),
          Map.entry("IFCRELASSOCIATESCLASSIFICATION", new int[] {5, 4}),
          Map.entry("IFCRELASSIGNSTOGROUP", new int[] {6, 4}),
          Map.entry("IFCRELCOVERSBLDGELEMENTS", new int[] {4, 5}),
          Map.entry("IFCRELCOVERSSPACES", new int[] {4, 5}),
          Map.entry("IFCRELDECLARES", new int[] {4, 5}));

  private final IfcModel model;
  private final StepFile file;
  private final IfcSchema schema;
  private final Predicate<Element> inScope;
  private final BiPredicate<String, String> keepsProperty;
  private final Map<String, List<ValueEdit>> edits;
  private final BitSet objects;
  private final BitSet kept;
  private final Map<String, Map<String, Boolean>> kinds = new HashMap<>();
  private final Map<Integer, String> rewritten = new HashMap<>();
  private final List<String> added = new ArrayList<>();
  private final Map<Integer, Set<Integer>> moved = new HashMap<>();
  private final Map<String, Integer> leftOut = new TreeMap<>();
  private int next;

  /**
   * What was written.
   *
   * @param relationsLeftOut relationship classes that were left out as a whole, with their number
   */
  public record Trimmed(
      long bytesBefore,
      long bytes,
      int instancesBefore,
      int instances,
      int elementsBefore,
      int elements,
      Map<String, Integer> relationsLeftOut) {
    /** The share of the original's bytes that is left, 0 to 1. */
    public double share() {
      return bytesBefore == 0 ? 0 : (double) bytes / bytesBefore;
    }
  }

  private IfcTrimmer(
      IfcModel model,
      Predicate<Element> inScope,
      BiPredicate<String, String> keepsProperty,
      Map<String, List<ValueEdit>> edits) {
    this.model = model;
    this.file = model.file();
    this.schema = model.entities();
    this.inScope = inScope;
    this.keepsProperty = keepsProperty;
    this.edits = edits;
    this.objects = new BitSet(file.size());
    this.kept = new BitSet(file.size());
  }

  /**
   * Writes the trimmed file.
   *
   * @param inScope says of each element whether it is in
   * @param keepsProperty says of a property set and a property whether it is kept
   * @param edits values that were set, by element key
   * @throws IOException when the stream fails
   */
  public static Trimmed write(
      IfcModel model,
      Predicate<Element> inScope,
      BiPredicate<String, String> keepsProperty,
      Map<String, List<ValueEdit>> edits,
      OutputStream out)
      throws IOException {
    return new IfcTrimmer(model, inScope, keepsProperty, edits).run(out);
  }

  private Trimmed run(OutputStream out) throws IOException {
    next = file.all().max().orElse(0) + 1;
    objects();
    editedSets();
    relations();
    types();
    file.all().filter(this::isObject).forEach(this::follow);
    for (String text : added) {
      followText(text);
    }
    inverses();
    return write(out);
  }

  private boolean isObject(int id) {
    int at = file.ordinal(id);
    return at >= 0 && objects.get(at);
  }

  private boolean isKept(int id) {
    int at = file.ordinal(id);
    return at >= 0 && kept.get(at);
  }

  private void object(int id) {
    int at = file.ordinal(id);
    if (at >= 0) {
      objects.set(at);
    }
  }

  /** Elements in scope, the structure above them, and the holes in them. */
  private void objects() {
    for (Element e : model.elements()) {
      boolean structure =
          schema.is(e.entity(), "IfcSpatialStructureElement") && !e.entity().equals("IfcSpace");
      if (structure || inScope.test(e) && !isLooseOpening(e)) {
        object(e.number());
      }
    }
    for (Element e : model.elements()) {
      if (isObject(e.number())) {
        above(e.number());
      }
    }
    for (Element e : model.elements()) {
      if (schema.is(e.entity(), "IfcFeatureElementSubtraction")
          && isObject(model.relations().host.get(e.number()))) {
        object(e.number());
      }
    }
    for (int p : file.ofType("IFCPROJECT")) {
      object(p);
    }
  }

  /** A hole whose host is out is a hole in nothing. */
  private boolean isLooseOpening(Element e) {
    return schema.is(e.entity(), "IfcFeatureElementSubtraction")
        && model.element(model.relations().host.get(e.number())).filter(inScope).isEmpty();
  }

  private void above(int number) {
    int at = number;
    for (int i = 0; i < 40 && at != 0; i++) {
      object(at);
      int whole = model.relations().whole.get(at);
      at = whole != 0 ? whole : model.relations().container.get(at);
    }
  }

  /** Boundaries first, since they keep elements; then what hangs on elements. */
  private void relations() {
    for (String type : BOUNDARIES) {
      file.each(type, this::boundary);
    }
    file.each("IFCRELVOIDSELEMENT", r -> both(r, r.ref(4), r.ref(5)));
    file.each("IFCRELFILLSELEMENT", r -> both(r, r.ref(4), r.ref(5)));
    for (String type : file.types()) {
      if (!schema.is(type, "IfcRelationship")
          || BOUNDARIES.contains(type)
          || type.equals("IFCRELVOIDSELEMENT")
          || type.equals("IFCRELFILLSELEMENT")) {
        continue;
      }
      int[] places = RELATIONS.get(type);
      if (places == null) {
        leftOut.put(schema.proper(type), file.ofType(type).length);
      } else {
        file.each(type, r -> relation(r, places[0], places[1]));
      }
    }
  }

  private static final List<String> BOUNDARIES =
      List.of("IFCRELSPACEBOUNDARY", "IFCRELSPACEBOUNDARY1STLEVEL", "IFCRELSPACEBOUNDARY2NDLEVEL");

  private void both(StepInstance r, int a, int b) {
    if (isObject(a) && isObject(b)) {
      object(r.id());
    }
  }

  /** A boundary stays with its space, and keeps what bounds it, in scope or not. */
  private void boundary(StepInstance r) {
    if (!isObject(r.ref(4))) {
      return;
    }
    int element = r.ref(5);
    if (element != 0 && !isObject(element)) {
      above(element);
      int host = model.relations().hostOf(element);
      if (host != 0 && !isObject(host)) {
        above(host);
      }
      int opening = model.relations().filled.get(element);
      if (opening != 0) {
        object(opening);
      }
    }
    object(r.id());
  }

  private void relation(StepInstance r, int one, int many) {
    if (r.is("IFCRELDEFINESBYPROPERTIES") && r.ref(one) == 0) {
      setOfSets(r, one, many);
      return;
    }
    int head = r.ref(one);
    boolean definition = !schema.is(file.type(head), "IfcObject", "IfcContext");
    if (!definition && !isObject(head)) {
      return;
    }
    if (r.is("IFCRELDEFINESBYPROPERTIES") && !keepsAny(head)) {
      return;
    }
    Set<Integer> gone = moved.getOrDefault(head, Set.of());
    List<Integer> left = staying(r.refs(many), gone);
    if (left.isEmpty()) {
      return;
    }
    if (left.size() < r.refs(many).size()) {
      rewrite(r.id(), Map.of(many, refs(left)));
    }
    object(r.id());
  }

  private List<Integer> staying(List<Integer> objects, Set<Integer> gone) {
    return objects.stream()
        .filter(o -> schema.is(file.type(o), "IfcTypeObject") || isObject(o) && !gone.contains(o))
        .toList();
  }

  /**
   * A relation to several sets at once (IfcPropertySetDefinitionSet). Where some elements got a
   * copy of one of the sets, the relation is written as one for each set.
   */
  private void setOfSets(StepInstance r, int one, int many) {
    List<Integer> sets = IfcRelations.definitions(r).stream().filter(this::keepsAny).toList();
    if (sets.isEmpty() || staying(r.refs(many), Set.of()).isEmpty()) {
      return;
    }
    if (sets.stream().noneMatch(moved::containsKey)) {
      rewrite(
          r.id(),
          Map.of(
              one,
              "IFCPROPERTYSETDEFINITIONSET(" + refs(sets) + ")",
              many,
              refs(staying(r.refs(many), Set.of()))));
      object(r.id());
      return;
    }
    for (int set : sets) {
      List<Integer> left = staying(r.refs(many), moved.getOrDefault(set, Set.of()));
      if (!left.isEmpty()) {
        defines("relation/" + r.text(0) + "/" + set, left, set);
      }
    }
  }

  private void defines(String seed, List<Integer> elements, int set) {
    add(
        "IFCRELDEFINESBYPROPERTIES('"
            + GlobalIds.of(seed)
            + "',"
            + anyOwner()
            + ",$,$,"
            + refs(elements)
            + ",#"
            + set
            + ")");
  }

  /** Whether anything of a set stays; sets that lose some properties are written anew. */
  private boolean keepsAny(int set) {
    StepInstance s = file.get(set);
    int list = s == null ? -1 : schema.index(s.type(), "HasProperties");
    list = list < 0 && s != null ? schema.index(s.type(), "Quantities") : list;
    if (s == null || list < 0) {
      return s != null;
    }
    List<Integer> left = new ArrayList<>();
    for (int p : s.refs(list)) {
      StepInstance property = file.get(p);
      if (property != null && keeps(s.text(2), property.text(0))) {
        left.add(p);
      }
    }
    if (!left.isEmpty() && left.size() < s.refs(list).size()) {
      rewrite(set, Map.of(list, refs(left)));
    }
    return !left.isEmpty();
  }

  /** Types that stay lose the property sets of which nothing is kept. */
  private void types() {
    for (int id : file.ofType("IFCRELDEFINESBYTYPE")) {
      if (!isObject(id)) {
        continue;
      }
      StepInstance t = file.get(file.get(id).ref(5));
      int list = t == null ? -1 : schema.index(t.type(), "HasPropertySets");
      if (list < 0 || t.refs(list).isEmpty()) {
        continue;
      }
      List<Integer> left = t.refs(list).stream().filter(this::keepsAny).toList();
      if (left.size() < t.refs(list).size()) {
        rewrite(t.id(), Map.of(list, left.isEmpty() ? "$" : refs(left)));
      }
    }
  }

  /** The same few names come again and again. */
  private boolean keeps(String set, String property) {
    return kinds
        .computeIfAbsent(set, k -> new HashMap<>())
        .computeIfAbsent(property, k -> keepsProperty.test(set, property));
  }

  private static String refs(List<Integer> ids) {
    StringBuilder b = new StringBuilder("(");
    ids.forEach(i -> b.append(b.length() > 1 ? "," : "").append('#').append(i));
    return b.append(')').toString();
  }

  /** The instance's text with some parameters replaced. */
  private void rewrite(int id, Map<Integer, String> parameters) {
    StringBuilder b =
        new StringBuilder("#").append(id).append('=').append(file.type(id)).append('(');
    file.visit(
        id,
        new StepParameters() {
          @Override
          public void parameter(int index, Kind kind, StepFile.Slice slice) {
            String other = parameters.get(index);
            b.append(index == 0 ? "" : ",")
                .append(other != null ? other : slice.toString().strip());
          }
        });
    rewritten.put(id, b.append(");").toString());
  }

  /** Elements that get the same values in the same set share a new set. */
  private void editedSets() {
    Map<String, List<Integer>> groups = new LinkedHashMap<>();
    Map<String, List<ValueEdit>> editsOf = new HashMap<>();
    Map<String, Integer> originalOf = new HashMap<>();
    for (Element e : model.elements()) {
      List<ValueEdit> all = edits.getOrDefault(e.key(), List.of());
      if (all.isEmpty() || !isObject(e.number())) {
        continue;
      }
      Map<String, List<ValueEdit>> bySet = new LinkedHashMap<>();
      all.forEach(v -> bySet.computeIfAbsent(v.set(), k -> new ArrayList<>()).add(v));
      bySet.forEach(
          (set, list) -> {
            int original = ownSet(e.number(), set);
            String group = original + " " + set + " " + list;
            groups.computeIfAbsent(group, k -> new ArrayList<>()).add(e.number());
            editsOf.put(group, list);
            originalOf.put(group, original);
            moved.computeIfAbsent(original, k -> new java.util.HashSet<>()).add(e.number());
          });
    }
    groups.forEach(
        (group, elements) -> newSet(originalOf.get(group), editsOf.get(group), elements));
  }

  private int ownSet(int element, String name) {
    for (int s : model.relations().sets.get(element)) {
      StepInstance set = file.get(s);
      if (set != null && set.is("IFCPROPERTYSET") && set.text(2).equals(name)) {
        return s;
      }
    }
    return 0;
  }

  private void newSet(int original, List<ValueEdit> list, List<Integer> elements) {
    Map<String, ValueEdit> last = new LinkedHashMap<>();
    list.forEach(v -> last.put(v.property(), v));
    List<Integer> properties = new ArrayList<>();
    StepInstance old = original == 0 ? null : file.get(original);
    String set = list.get(0).set();
    if (old != null) {
      for (int p : old.refs(4)) {
        StepInstance property = file.get(p);
        if (property != null
            && !last.containsKey(property.text(0))
            && keeps(set, property.text(0))) {
          properties.add(p);
        }
      }
    }
    for (ValueEdit v : last.values()) {
      if (v.value() != null) {
        properties.add(
            add(
                "IFCPROPERTYSINGLEVALUE("
                    + StepLiteral.text(v.property())
                    + ",$,"
                    + new IfcValueText(model.units()).of(v)
                    + ",$)"));
      }
    }
    if (properties.isEmpty()) {
      return;
    }
    String seed = set + "/" + keyOf(elements.get(0)) + "/" + list;
    String owner = old != null && old.ref(1) != 0 ? "#" + old.ref(1) : anyOwner();
    int made =
        add(
            "IFCPROPERTYSET('"
                + GlobalIds.of("set/" + seed)
                + "',"
                + owner
                + ","
                + StepLiteral.text(set)
                + ",$,"
                + refs(properties)
                + ")");
    defines("relation/" + seed, elements, made);
  }

  private String keyOf(int element) {
    return model.element(element).map(Element::key).orElse("#" + element);
  }

  private String anyOwner() {
    int[] owners = file.ofType("IFCOWNERHISTORY");
    return owners.length == 0 ? "$" : "#" + owners[0];
  }

  private int add(String text) {
    added.add("#" + next + "=" + text + ";");
    return next++;
  }

  /** Keeps an instance and all that it refers to. */
  private void follow(int id) {
    Deque<Integer> open = new ArrayDeque<>();
    keep(id, open);
    while (!open.isEmpty()) {
      int at = open.pop();
      String text = rewritten.get(at);
      if (text == null) {
        file.references(at, to -> keep(to, open));
      } else {
        references(text).forEach(to -> keep(to, open));
      }
    }
  }

  private void keep(int id, Deque<Integer> open) {
    int at = file.ordinal(id);
    if (at >= 0 && !kept.get(at)) {
      kept.set(at);
      open.push(id);
    }
  }

  private void followText(String text) {
    references(text).forEach(this::follow);
  }

  /** The references of an instance written here, without those in strings. */
  private static List<Integer> references(String text) {
    List<Integer> out = new ArrayList<>();
    boolean quoted = false;
    for (int i = text.indexOf('='); i < text.length(); i++) {
      char c = text.charAt(i);
      if (c == '\'') {
        quoted = !quoted;
      } else if (c == '#' && !quoted) {
        int end = i + 1;
        while (end < text.length() && Character.isDigit(text.charAt(end))) {
          end++;
        }
        if (end > i + 1 && end - i < 11) {
          out.add((int) Long.parseLong(text.substring(i + 1, end)));
        }
        i = end - 1;
      }
    }
    return out;
  }

  /** What refers to what is kept, and belongs to it: thermal values, layers, map, grids. */
  private void inverses() {
    for (String type :
        new String[] {
          "IFCMATERIALPROPERTIES",
          "IFCTHERMALMATERIALPROPERTIES",
          "IFCGENERALMATERIALPROPERTIES",
          "IFCOPTICALMATERIALPROPERTIES",
          "IFCHYGROSCOPICMATERIALPROPERTIES",
          "IFCEXTENDEDMATERIALPROPERTIES",
          "IFCMAPCONVERSION",
          "IFCMAPCONVERSIONSCALED"
        }) {
      int at = schema.index(type, type.startsWith("IFCMAP") ? "SourceCRS" : "Material");
      file.each(
          type,
          i -> {
            if (isKept(i.ref(at))) {
              follow(i.id());
            }
          });
    }
    file.each(
        "IFCGRID",
        g -> {
          for (int list = 7; list <= 9; list++) {
            if (g.refs(list).stream().anyMatch(this::isKept)) {
              follow(g.id());
            }
          }
        });
    file.each("IFCPRESENTATIONLAYERASSIGNMENT", this::layer);
  }

  private void layer(StepInstance l) {
    List<Integer> left = l.refs(2).stream().filter(this::isKept).toList();
    if (!left.isEmpty()) {
      if (left.size() < l.refs(2).size()) {
        rewrite(l.id(), Map.of(2, refs(left)));
      }
      follow(l.id());
    }
  }

  private Trimmed write(OutputStream out) throws IOException {
    long bytes = 0;
    int instances = 0;
    StepFile.Slice head = file.head();
    out.write(head.bytes(), head.from(), head.length());
    out.write('\n');
    bytes += head.length() + 1L;
    for (int at = kept.nextSetBit(0); at >= 0; at = kept.nextSetBit(at + 1)) {
      int id = file.idAt(at);
      String text = rewritten.get(id);
      if (text == null) {
        StepFile.Slice s = file.slice(id);
        out.write(s.bytes(), s.from(), s.length());
        bytes += s.length();
      } else {
        bytes += line(out, text);
      }
      out.write('\n');
      bytes++;
      instances++;
    }
    for (String text : added) {
      bytes += line(out, text + "\n");
      instances++;
    }
    bytes += line(out, "ENDSEC;\nEND-ISO-10303-21;\n");
    int elements = 0;
    for (Element e : model.elements()) {
      elements += isKept(e.number()) ? 1 : 0;
    }
    return new Trimmed(
        file.length(), bytes, file.size(), instances, model.elements().size(), elements, leftOut);
  }

  private static int line(OutputStream out, String text) throws IOException {
    byte[] b = text.getBytes(StandardCharsets.ISO_8859_1);
    out.write(b);
    return b.length;
  }
}
