package yentra.core.check.rule;

import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Finding;

/** One check of the catalogue. Stateless; never stops at a broken object. */
public interface Check {
  Descriptor descriptor();

  /** Reports every fault of this kind, in the envelope's order. */
  void run(CheckContext context, Consumer<Finding> report);

  /** Offers the repairs that would answer one of its findings, the likeliest first; none at all. */
  default void offer(Offer o) {}
}
