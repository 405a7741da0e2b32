package yentra.core.check.rule;

import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.measure.Focus;
import yentra.core.finding.Finding;

/**
 * A check whose findings depend on single objects and their spaces, or on objects near each other,
 * so that after a change only what is there has to be looked at again.
 */
public interface LocalCheck extends Check {
  /**
   * How far from a surface, in metres between their boxes, what it is held against may lie. 0 when
   * only the object itself and its spaces are looked at.
   */
  default double reach(CheckContext context) {
    return 0;
  }

  /** Reports every fault that an object in focus has a part in, each once. */
  void run(CheckContext context, Focus focus, Consumer<Finding> report);

  @Override
  default void run(CheckContext context, Consumer<Finding> report) {
    run(context, Focus.all(context), report);
  }
}
