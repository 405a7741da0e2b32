package yentra.core.variant;

import java.util.ArrayList;
import java.util.List;
import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.plan.PlanDocument;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.variant.change.Aspect;
import yentra.core.variant.change.Change;
import yentra.core.variant.change.Effect;
import yentra.core.variant.change.VariantState;

/**
 * A variant made on a baseline. Changes of what is drawn come first, all others in their order. A
 * change that does not apply is passed over and told, so that nobody takes the state for the
 * variant.
 *
 * @param state with all changes that apply; the baseline's own where none changes anything
 * @param done what each change came to, in the order of the list
 * @param refused changes that do not apply
 */
public record Variant(VariantState state, List<Done> done, List<Refused> refused) {
  /** Makes the envelope of another plan document, with the baseline's repairs made on it. */
  public interface Drawing {
    /**
     * @throws NotApplicableException when it cannot be drawn so, or a repair of the baseline no
     *     longer applies
     */
    CheckContext drawn(PlanDocument plan) throws NotApplicableException;
  }

  /**
   * What a change came to.
   *
   * @param index in the list of changes, from 0
   * @param summaries of its repairs, in sentences
   */
  public record Done(int index, Effect effect, List<String> summaries) {
    public Done {
      summaries = List.copyOf(summaries);
    }
  }

  /** A change that does not apply, by its place in the list, and why. */
  public record Refused(int index, String reason) {}

  public Variant {
    done = List.copyOf(done);
    refused = List.copyOf(refused);
  }

  /** All repairs of the changes, in the order in which they are made. */
  public List<Repair> repairs() {
    return done.stream().flatMap(d -> d.effect().repairs().stream()).toList();
  }

  /** Whether it is all that was asked for. */
  public boolean applies() {
    return refused.isEmpty();
  }

  /**
   * Makes a variant.
   *
   * @param drawing for changes of what is drawn
   */
  public static Variant of(VariantState baseline, List<Change> changes, Drawing drawing) {
    List<Integer> order = new ArrayList<>();
    for (boolean shape : new boolean[] {true, false}) {
      for (int i = 0; i < changes.size(); i++) {
        if (changes.get(i).changes().contains(Aspect.SHAPE) == shape) {
          order.add(i);
        }
      }
    }
    VariantState now = baseline;
    List<Done> done = new ArrayList<>();
    List<Refused> refused = new ArrayList<>();
    for (int i : order) {
      try {
        Effect e = changes.get(i).on(now);
        List<String> said = said(now, e);
        VariantState next = now.with(e);
        if (e.plan() != null) {
          next =
              new VariantState(
                  drawing.drawn(e.plan()), next.settings(), next.climate(), next.plan());
        }
        now = next;
        done.add(new Done(i, e, said));
      } catch (NotApplicableException x) {
        refused.add(new Refused(i, x.getMessage()));
      }
    }
    return new Variant(now, done, refused);
  }

  private static List<String> said(VariantState state, Effect e) throws NotApplicableException {
    List<String> out = new ArrayList<>();
    Envelope now = state.envelope();
    for (Repair r : e.repairs()) {
      Repair.Made made =
          r.make(now, state.context().rules(), new Naming(now, state.context().types()));
      out.add(made.summary());
      now = made.envelope();
    }
    out.addAll(e.notes());
    return out;
  }
}
