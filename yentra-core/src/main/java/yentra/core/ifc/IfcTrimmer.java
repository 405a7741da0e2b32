package yentra.core.ifc;

import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
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
import yentra.core.step.StepWriter;

/**
 * Writes the part of an IFC file that is in scope, in the same schema: elements in scope, the
 * spatial structure they stand in, and all that these refer to. Instances that stay are copied as
 * they stand; relationships lose what is out; property sets lose what is not kept, and get the
 * values that were set. MadeGlobalId and instance numbers stay.
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
  private final StayingObjects objects;
  private final Map<String, Map<String, Boolean>> kinds = new HashMap<>();
  private final TrimmedText text;
  private final KeptInstances kept;
  private final EditedSets edited;
  private final Map<String, Integer> leftOut = new TreeMap<>();

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

  /** What comes behind the part of the file that stays, in place of its own boundaries. */
  public interface Appendix {
    /** Numbers of elements that it refers to: they stay, in scope or not. */
    Set<Integer> elements();

    /** Numbers of other instances that it refers to. */
    Set<Integer> instances();

    /** Numbers of elements whose materials it says anew. */
    Set<Integer> remade();

    /** Writes its instances. */
    void write(StepWriter step);
  }

  /** Null where the file's own boundaries stay. */
  private final Appendix appendix;

  private IfcTrimmer(
      IfcModel model,
      Predicate<Element> inScope,
      BiPredicate<String, String> keepsProperty,
      Map<String, List<ValueEdit>> edits,
      Appendix appendix) {
    this.appendix = appendix;
    this.model = model;
    this.file = model.file();
    this.schema = model.entities();
    this.inScope = inScope;
    this.keepsProperty = keepsProperty;
    this.objects = new StayingObjects(model);
    this.text = new TrimmedText(file);
    this.kept = new KeptInstances(file, text);
    this.edited = new EditedSets(model, edits, objects::has, this::keeps, text);
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
    return new IfcTrimmer(model, inScope, keepsProperty, edits, null).run(out);
  }

  /**
   * Writes the trimmed file with other space boundaries than its own.
   *
   * @param appendix what takes their place
   * @throws IOException when the stream fails
   */
  public static Trimmed write(
      IfcModel model,
      Predicate<Element> inScope,
      BiPredicate<String, String> keepsProperty,
      Map<String, List<ValueEdit>> edits,
      Appendix appendix,
      OutputStream out)
      throws IOException {
    return new IfcTrimmer(model, inScope, keepsProperty, edits, appendix).run(out);
  }

  private Trimmed run(OutputStream out) throws IOException {
    objects.put(inScope);
    edited.make();
    relations();
    types();
    file.all().filter(objects::has).forEach(kept::follow);
    kept.followAdded();
    if (appendix != null) {
      appendix.instances().forEach(kept::follow);
    }
    inverses();
    return write(out);
  }

  /** Boundaries first, since they keep elements; then what hangs on elements. */
  private void relations() {
    if (appendix == null) {
      for (String type : BOUNDARIES) {
        file.each(type, this::boundary);
      }
    } else {
      appendix.elements().forEach(objects::bounding);
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
    if (objects.has(a) && objects.has(b)) {
      objects.add(r.id());
    }
  }

  /** A boundary stays with its space, and keeps what bounds it, in scope or not. */
  private void boundary(StepInstance r) {
    if (!objects.has(r.ref(4))) {
      return;
    }
    objects.bounding(r.ref(5));
    objects.add(r.id());
  }

  private void relation(StepInstance r, int one, int many) {
    if (r.is("IFCRELDEFINESBYPROPERTIES") && r.ref(one) == 0) {
      setOfSets(r, one, many);
      return;
    }
    int head = r.ref(one);
    boolean definition = !schema.is(file.type(head), "IfcObject", "IfcContext");
    if (!definition && !objects.has(head)) {
      return;
    }
    if (r.is("IFCRELDEFINESBYPROPERTIES") && !keepsAny(head)) {
      return;
    }
    boolean materials = appendix != null && r.is("IFCRELASSOCIATESMATERIAL");
    Set<Integer> gone = materials ? appendix.remade() : edited.movedFrom(head);
    List<Integer> left = staying(r.refs(many), gone);
    if (left.isEmpty()) {
      return;
    }
    if (left.size() < r.refs(many).size()) {
      text.rewrite(r.id(), Map.of(many, TrimmedText.refs(left)));
    }
    objects.add(r.id());
  }

  private List<Integer> staying(List<Integer> related, Set<Integer> gone) {
    return related.stream()
        .filter(
            o -> schema.is(file.type(o), "IfcTypeObject") || objects.has(o) && !gone.contains(o))
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
    if (sets.stream().allMatch(x -> edited.movedFrom(x).isEmpty())) {
      text.rewrite(
          r.id(),
          Map.of(
              one,
              "IFCPROPERTYSETDEFINITIONSET(" + TrimmedText.refs(sets) + ")",
              many,
              TrimmedText.refs(staying(r.refs(many), Set.of()))));
      objects.add(r.id());
      return;
    }
    for (int set : sets) {
      List<Integer> left = staying(r.refs(many), edited.movedFrom(set));
      if (!left.isEmpty()) {
        text.defines("relation/" + r.text(0) + "/" + set, left, set);
      }
    }
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
      text.rewrite(set, Map.of(list, TrimmedText.refs(left)));
    }
    return !left.isEmpty();
  }

  /** Types that stay lose the property sets of which nothing is kept. */
  private void types() {
    for (int id : file.ofType("IFCRELDEFINESBYTYPE")) {
      if (!objects.has(id)) {
        continue;
      }
      StepInstance t = file.get(file.get(id).ref(5));
      int list = t == null ? -1 : schema.index(t.type(), "HasPropertySets");
      if (list < 0 || t.refs(list).isEmpty()) {
        continue;
      }
      List<Integer> left = t.refs(list).stream().filter(this::keepsAny).toList();
      if (left.size() < t.refs(list).size()) {
        text.rewrite(t.id(), Map.of(list, left.isEmpty() ? "$" : TrimmedText.refs(left)));
      }
    }
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
            if (kept.has(i.ref(at))) {
              kept.follow(i.id());
            }
          });
    }
    file.each(
        "IFCGRID",
        g -> {
          for (int list = 7; list <= 9; list++) {
            if (g.refs(list).stream().anyMatch(kept::has)) {
              kept.follow(g.id());
            }
          }
        });
    file.each("IFCPRESENTATIONLAYERASSIGNMENT", this::layer);
  }

  private void layer(StepInstance l) {
    List<Integer> left = l.refs(2).stream().filter(kept::has).toList();
    if (!left.isEmpty()) {
      if (left.size() < l.refs(2).size()) {
        text.rewrite(l.id(), Map.of(2, TrimmedText.refs(left)));
      }
      kept.follow(l.id());
    }
  }

  /** The same few names come again and again. */
  private boolean keeps(String set, String property) {
    return kinds
        .computeIfAbsent(set, k -> new HashMap<>())
        .computeIfAbsent(property, k -> keepsProperty.test(set, property));
  }

  private void append(OutputStream out) throws IOException {
    if (appendix == null) {
      return;
    }
    Writer lines = new OutputStreamWriter(out, StandardCharsets.US_ASCII);
    try {
      appendix.write(new StepWriter(lines, text.next()));
    } catch (UncheckedIOException e) {
      throw e.getCause();
    }
    lines.flush();
  }

  private Trimmed write(OutputStream out) throws IOException {
    StepFile.Slice head = file.head();
    out.write(head.bytes(), head.from(), head.length());
    out.write('\n');
    long[] written = kept.write(out);
    append(out);
    int end = KeptInstances.line(out, "ENDSEC;\nEND-ISO-10303-21;\n");
    int elements = 0;
    for (Element e : model.elements()) {
      elements += kept.has(e.number()) ? 1 : 0;
    }
    return new Trimmed(
        file.length(),
        head.length() + 1L + written[0] + end,
        file.size(),
        (int) written[1],
        model.elements().size(),
        elements,
        leftOut);
  }
}
