package yentra.core.repair.delivery;

import java.util.List;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.ReadNote;
import yentra.core.envelope.Rules;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;

/**
 * Lets objects that share an id keep the new ones under which they were read. References go to the
 * first, which keeps the id.
 */
public record MakeIdUnique(String id) implements Repair {
  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    List<ReadNote> left =
        e.notes().stream()
            .filter(n -> n.kind() != ReadNote.Kind.DUPLICATE_ID || !n.value().equals(id))
            .toList();
    if (left.size() == e.notes().size()) {
      throw new NotApplicableException("The id " + id + " is used once.");
    }
    return e.withNotes(left);
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new MakeIdUnique(keys.of(id));
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    return "Gives the second object with the id " + id + " an id of its own.";
  }
}
