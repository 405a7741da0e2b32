package yentra.core.model;

import java.util.List;
import java.util.Optional;

/** A model without elements. */
enum NoModel implements ArchitecturalModel {
  INSTANCE;

  @Override
  public String schema() {
    return "";
  }

  @Override
  public List<Element> elements() {
    return List.of();
  }

  @Override
  public List<Element> definitions() {
    return List.of();
  }

  @Override
  public Optional<PropertyValue> attribute(Element element, String name) {
    return Optional.empty();
  }

  @Override
  public Optional<Element> element(String key) {
    return Optional.empty();
  }

  @Override
  public List<PropertySet> properties(Element element) {
    return List.of();
  }

  @Override
  public Element.Materials materials(Element element) {
    return Element.Materials.NONE;
  }

  @Override
  public List<Classification> classifications(Element element) {
    return List.of();
  }

  @Override
  public List<Whole> wholes(Element element) {
    return List.of();
  }

  @Override
  public Body body(Element element) {
    return Body.NONE;
  }

  @Override
  public boolean isKind(String entity, String of) {
    return entity.equalsIgnoreCase(of);
  }
}
