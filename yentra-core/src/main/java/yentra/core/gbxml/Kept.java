package yentra.core.gbxml;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import yentra.core.envelope.Extras;

/** Collects what is not understood in one element. */
final class Kept {
  private final List<Extras.Attribute> attributes = new ArrayList<>(2);
  private final List<String> fragments = new ArrayList<>(2);
  private final List<Extras.Child> children = new ArrayList<>(0);

  /** Keeps all attributes but the named ones, which the reader has taken. */
  static Kept except(List<Extras.Attribute> attributes, Set<String> understood) {
    Kept k = new Kept();
    for (Extras.Attribute a : attributes) {
      if (!a.prefix().isEmpty() || !understood.contains(a.name())) {
        k.attributes.add(a);
      }
    }
    return k;
  }

  void fragment(String xml) {
    fragments.add(xml);
  }

  void attribute(String name, String value) {
    attributes.add(new Extras.Attribute("", "", name, value));
  }

  /** Keeps the attributes of an understood child element but those that are understood too. */
  void child(String element, List<Extras.Attribute> all, Set<String> understood) {
    if (all.size() > understood.size()
        || all.stream().anyMatch(a -> !a.prefix().isEmpty() || !understood.contains(a.name()))) {
      List<Extras.Attribute> left =
          all.stream()
              .filter(a -> !a.prefix().isEmpty() || !understood.contains(a.name()))
              .toList();
      if (!left.isEmpty()) {
        add(element, left);
      }
    }
  }

  private void add(String element, List<Extras.Attribute> left) {
    for (int i = 0; i < children.size(); i++) {
      if (children.get(i).element().equals(element)) {
        List<Extras.Attribute> all = new ArrayList<>(children.get(i).attributes());
        all.addAll(left);
        children.set(i, new Extras.Child(element, all));
        return;
      }
    }
    children.add(new Extras.Child(element, left));
  }

  /** Whether anything was kept. */
  boolean isEmpty() {
    return attributes.isEmpty() && fragments.isEmpty() && children.isEmpty();
  }

  Extras extras() {
    return isEmpty() ? Extras.NONE : new Extras(attributes, fragments, children);
  }
}
