package yentra.core.ifc;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BiPredicate;
import java.util.function.IntPredicate;
import yentra.core.model.Element;
import yentra.core.scope.ValueEdit;
import yentra.core.step.StepFile;
import yentra.core.step.StepInstance;
import yentra.core.step.StepLiteral;

/** Property sets of elements whose values were set: copies of what they had, with the values. */
final class EditedSets {
  private final IfcModel model;
  private final StepFile file;
  private final Map<String, List<ValueEdit>> edits;
  private final IntPredicate isObject;
  private final BiPredicate<String, String> keeps;
  private final TrimmedText text;
  private final Map<Integer, Set<Integer>> moved = new HashMap<>();

  /**
   * @param edits values that were set, by element key
   * @param isObject whether an instance stays
   * @param keeps whether a property of a set stays
   */
  EditedSets(
      IfcModel model,
      Map<String, List<ValueEdit>> edits,
      IntPredicate isObject,
      BiPredicate<String, String> keeps,
      TrimmedText text) {
    this.model = model;
    this.file = model.file();
    this.edits = edits;
    this.isObject = isObject;
    this.keeps = keeps;
    this.text = text;
  }

  /** Elements that have a copy instead of this set; others keep it. */
  Set<Integer> movedFrom(int set) {
    return moved.getOrDefault(set, Set.of());
  }

  /** Elements that get the same values in the same set share a new set. */
  void make() {
    Map<String, List<Integer>> groups = new LinkedHashMap<>();
    Map<String, List<ValueEdit>> editsOf = new HashMap<>();
    Map<String, Integer> originalOf = new HashMap<>();
    for (Element e : model.elements()) {
      List<ValueEdit> all = edits.getOrDefault(e.key(), List.of());
      if (all.isEmpty() || !isObject.test(e.number())) {
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
            && keeps.test(set, property.text(0))) {
          properties.add(p);
        }
      }
    }
    for (ValueEdit v : last.values()) {
      if (v.value() != null) {
        properties.add(
            text.add(
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
    String owner = old != null && old.ref(1) != 0 ? "#" + old.ref(1) : text.anyOwner();
    int made =
        text.add(
            "IFCPROPERTYSET('"
                + MadeGlobalId.of("set/" + seed)
                + "',"
                + owner
                + ","
                + StepLiteral.text(set)
                + ",$,"
                + TrimmedText.refs(properties)
                + ")");
    text.defines("relation/" + seed, elements, made);
  }

  private String keyOf(int element) {
    return model.element(element).map(Element::key).orElse("#" + element);
  }
}
