/**
 * Checks of the delivered file and of the model behind the envelope (FMT, SRC), each with its
 * remedies.
 */
package yentra.core.check.source;
