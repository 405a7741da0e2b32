/** Checks of uses, set-points and zones (USE), each with its remedies. */
package yentra.core.check.use;
