package yentra.core.check;

import java.util.function.Consumer;

/**
 * A check whose findings depend on single objects and their spaces, or on objects near each other,
 * so that after a change only what is there has to be looked at again.
 */
interface LocalCheck extends Check {
  /** Whether it holds surfaces against others near them. */
  default boolean isOfNear() {
    return false;
  }

  /** Reports every fault that an object in focus has a part in, each once. */
  void run(CheckContext context, Focus focus, Consumer<Finding> report);

  @Override
  default void run(CheckContext context, Consumer<Finding> report) {
    run(context, Focus.all(context), report);
  }
}
