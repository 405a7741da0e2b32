package yentra.core.gbxml;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import yentra.core.envelope.Extras;

/** Collects what is not understood in one element. */
final class Kept {
  private final List<Extras.Attribute> attributes = new ArrayList<>(2);
  private final List<String> fragments = new ArrayList<>(2);

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

  Extras extras() {
    return attributes.isEmpty() && fragments.isEmpty()
        ? Extras.NONE
        : new Extras(attributes, fragments);
  }
}
