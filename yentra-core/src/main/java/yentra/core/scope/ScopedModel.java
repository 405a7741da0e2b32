package yentra.core.scope;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import yentra.core.model.ArchitecturalModel;
import yentra.core.model.Body;
import yentra.core.model.Classification;
import yentra.core.model.Element;
import yentra.core.model.Property;
import yentra.core.model.PropertySet;
import yentra.core.model.PropertyValue;

/**
 * A model as it stands after scope and values: without the elements that are out, and with the
 * values a person has set.
 */
public final class ScopedModel implements ArchitecturalModel {
  private final ArchitecturalModel whole;
  private final Set<String> out;
  private final Map<String, List<ValueEdit>> edits;
  private final List<Element> elements;

  /**
   * @param out keys of the elements that are out
   * @param edits values set, by element key, in the order they were made
   */
  public ScopedModel(
      ArchitecturalModel whole, Set<String> out, Map<String, List<ValueEdit>> edits) {
    this.whole = whole;
    this.out = Set.copyOf(out);
    this.edits = Map.copyOf(edits);
    this.elements =
        out.isEmpty()
            ? whole.elements()
            : whole.elements().stream().filter(e -> !this.out.contains(e.key())).toList();
  }

  /** The model with the elements that a result says are in. */
  public static ScopedModel of(ArchitecturalModel whole, ScopeResult result) {
    Set<String> out = new java.util.HashSet<>();
    result.decisions().stream().filter(d -> !d.in()).forEach(d -> out.add(d.element().key()));
    return new ScopedModel(whole, out, Map.of());
  }

  @Override
  public String schema() {
    return whole.schema();
  }

  @Override
  public List<Element> elements() {
    return elements;
  }

  @Override
  public Optional<Element> element(String key) {
    return out.contains(key) ? Optional.empty() : whole.element(key);
  }

  @Override
  public List<Element> definitions() {
    return whole.definitions();
  }

  @Override
  public Optional<PropertyValue> attribute(Element element, String name) {
    return whole.attribute(element, name);
  }

  @Override
  public List<PropertySet> properties(Element element) {
    List<PropertySet> sets = whole.properties(element);
    for (ValueEdit e : edits.getOrDefault(element.key(), List.of())) {
      sets = e.apply(sets);
    }
    return sets;
  }

  @Override
  public Optional<Property> property(Element element, String set, String name) {
    return ArchitecturalModel.super.property(element, set, name);
  }

  @Override
  public Element.Materials materials(Element element) {
    return whole.materials(element);
  }

  @Override
  public List<Classification> classifications(Element element) {
    return whole.classifications(element);
  }

  @Override
  public List<Whole> wholes(Element element) {
    return whole.wholes(element);
  }

  @Override
  public Body body(Element element) {
    return whole.body(element);
  }

  @Override
  public Body netBody(Element element) {
    return whole.netBody(element);
  }

  @Override
  public boolean isKind(String entity, String of) {
    return whole.isKind(entity, of);
  }
}
