package yentra.core.check;

import java.util.function.Consumer;

/** One check of the catalogue. Stateless; never stops at a broken object. */
public interface Check {
  Descriptor descriptor();

  /** Reports every fault of this kind, in the envelope's order. */
  void run(CheckContext context, Consumer<Finding> report);
}
