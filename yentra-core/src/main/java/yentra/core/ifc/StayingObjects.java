package yentra.core.ifc;

import java.util.BitSet;
import java.util.function.Predicate;
import yentra.core.model.Element;
import yentra.core.step.StepFile;

/** Which objects and relationships of a file stay: those in scope, and what they stand in. */
final class StayingObjects {
  private final IfcModel model;
  private final StepFile file;
  private final IfcSchema schema;
  private final BitSet objects;

  StayingObjects(IfcModel model) {
    this.model = model;
    this.file = model.file();
    this.schema = model.entities();
    this.objects = new BitSet(file.size());
  }

  /** Whether an instance of that number is in. */
  boolean has(int id) {
    int at = file.ordinal(id);
    return at >= 0 && objects.get(at);
  }

  /** Puts an instance in. */
  void add(int id) {
    int at = file.ordinal(id);
    if (at >= 0) {
      objects.set(at);
    }
  }

  /** Elements in scope, the structure above them, and the holes in them. */
  void put(Predicate<Element> inScope) {
    for (Element e : model.elements()) {
      boolean structure =
          schema.is(e.entity(), "IfcSpatialStructureElement") && !e.entity().equals("IfcSpace");
      if (structure || inScope.test(e) && !isLooseOpening(e, inScope)) {
        add(e.number());
      }
    }
    for (Element e : model.elements()) {
      if (has(e.number())) {
        above(e.number());
      }
    }
    for (Element e : model.elements()) {
      if (schema.is(e.entity(), "IfcFeatureElementSubtraction")
          && has(model.relations().host.get(e.number()))) {
        add(e.number());
      }
    }
    for (int p : file.ofType("IFCPROJECT")) {
      add(p);
    }
  }

  /** A hole whose host is out is a hole in nothing. */
  private boolean isLooseOpening(Element e, Predicate<Element> inScope) {
    return schema.is(e.entity(), "IfcFeatureElementSubtraction")
        && model.element(model.relations().host.get(e.number())).filter(inScope).isEmpty();
  }

  private void above(int number) {
    int at = number;
    for (int i = 0; i < 40 && at != 0; i++) {
      add(at);
      int whole = model.relations().whole.get(at);
      at = whole != 0 ? whole : model.relations().container.get(at);
    }
  }

  /** Keeps an element with what it stands in. */
  void bounding(int element) {
    if (element == 0 || has(element)) {
      return;
    }
    above(element);
    int host = model.relations().hostOf(element);
    if (host != 0 && !has(host)) {
      above(host);
    }
    int opening = model.relations().filled.get(element);
    if (opening != 0) {
      add(opening);
    }
  }
}
