package yentra.core.ifc.write;

import static yentra.core.step.StepWriter.ref;

import java.util.HashMap;
import java.util.Map;
import java.util.function.UnaryOperator;
import yentra.core.envelope.SourceRef;
import yentra.core.ifc.IfcModel;
import yentra.core.model.Element;

/** A delivered file that something is added to: its elements by key, and who owns what is new. */
final class DeliveredFile {
  final IfcModel model;
  final IfcDialect dialect;

  /** The parameter OwnerHistory of new instances: the file's first one, or {@code $}. */
  final String owner;

  /** Number of that owner history; 0 for none. */
  final int ownerNumber;

  private final String seed;
  private final Map<String, Element> elements = new HashMap<>();

  DeliveredFile(IfcModel model, IfcDialect dialect) {
    this.model = model;
    this.dialect = dialect;
    this.seed = "handover/" + model.schema() + "/";
    int[] owners = model.file().ofType("IFCOWNERHISTORY");
    this.ownerNumber = owners.length == 0 ? 0 : owners[0];
    this.owner = ownerNumber == 0 ? "$" : ref(ownerNumber);
    for (Element e : model.elements()) {
      elements.putIfAbsent(e.key(), e);
    }
  }

  /** GlobalIds by the key of what is written. */
  UnaryOperator<String> globalIds() {
    return key -> GlobalIds.of(key, seed);
  }

  /** What GlobalIds are made from, beside a key. */
  String seed() {
    return seed;
  }

  /** A GlobalId as a parameter. */
  String id(String key) {
    return "'" + GlobalIds.of(key, seed) + "'";
  }

  /** The element of the file that something was read from; null for none. */
  Element element(SourceRef from) {
    return from == null || from.id().isEmpty() ? null : elements.get(from.id());
  }
}
