/**
 * Tells two states of an envelope apart, so that only what a change can have touched is checked
 * again.
 */
package yentra.core.check.increment;
