/** Checks of windows, doors and air openings (OPN), each with its remedies. */
package yentra.core.check.opening;
