package yentra.core.repair;

import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Rules;

/**
 * One change to an envelope: a pure function, serialisable as JSON by its kind and fields, so that
 * it can be logged and replayed. Objects are named by their keys. All kinds stand in {@code
 * repair.kinds}.
 */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
public interface Repair {
  /**
   * The envelope with this change.
   *
   * @throws NotApplicableException when an object is gone, or the change makes no sense there
   */
  Envelope apply(Envelope envelope, Rules rules) throws NotApplicableException;

  /**
   * What it does, in a sentence for a person.
   *
   * @param before the envelope as it was, in whose terms it is told
   * @param after what {@link #apply} made of it
   */
  String describe(Envelope before, Envelope after, Naming naming);

  /** The change and the sentence, the work done once. */
  default Made make(Envelope before, Rules rules, Naming naming) throws NotApplicableException {
    Envelope after = apply(before, rules);
    return new Made(after, describe(before, after, naming));
  }

  /** The same repair of objects that are called something else. */
  Repair renamed(KeyChange keys);

  /** Keys of the objects that it names, each once. */
  default List<String> objects() {
    Set<String> out = new LinkedHashSet<>();
    renamed(
        new KeyChange(
            k -> {
              out.add(k);
              return k;
            }));
    return List.copyOf(out);
  }

  /** What a repair made, and what it did. */
  record Made(Envelope envelope, String summary) {}

  /**
   * The same repair without what it says that is so already: all that is left is what it changes,
   * on any other state as well.
   */
  default Repair effective(Envelope before) {
    return this;
  }
}
