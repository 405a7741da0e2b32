package yentra.core.repair;

import java.util.ArrayList;
import java.util.List;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Rules;

/**
 * The repairs of a log made again on an envelope.
 *
 * @param envelope the result
 * @param failed what no longer applies, and why; such repairs are passed over
 */
public record Replay(Envelope envelope, List<Failed> failed) {
  /** A repair that could not be made again; {@code index} is its place in the log, from 0. */
  public record Failed(int index, String reason) {}

  public static Replay of(Envelope base, List<Repair> repairs, Rules rules) {
    Envelope e = base;
    List<Failed> failed = new ArrayList<>();
    for (int i = 0; i < repairs.size(); i++) {
      try {
        e = repairs.get(i).apply(e, rules);
      } catch (NotApplicableException x) {
        failed.add(new Failed(i, x.getMessage()));
      }
    }
    return new Replay(e, List.copyOf(failed));
  }
}
