package yentra.core.scope;

import java.util.List;
import yentra.core.model.ArchitecturalModel;
import yentra.core.model.Element;

/**
 * Which elements are meant.
 *
 * @param classes of the class's name, capitals or not; null when any class will do
 * @param subtypes whether subtypes of a class named are meant too
 * @param conditions all of which must hold
 */
public record Selection(ValueTest classes, boolean subtypes, List<Condition> conditions) {
  public Selection {
    conditions = List.copyOf(conditions);
  }

  public static Selection of(String classes, Condition... conditions) {
    return new Selection(ValueTestText.read(classes), true, List.of(conditions));
  }

  /** The elements of a model that are meant, in the model's order. */
  public List<Element> of(ArchitecturalModel model) {
    Matching matching = new Matching(model);
    return model.elements().parallelStream().filter(e -> matching.fits(this, e)).toList();
  }

  /** In words, such as "IfcSpace with subtypes, name is contains gross". */
  public String words() {
    StringBuilder b =
        new StringBuilder(
            classes == null ? "every class" : classes.words() + (subtypes ? " with subtypes" : ""));
    conditions.forEach(c -> b.append(", ").append(c.words()));
    return b.toString();
  }
}
