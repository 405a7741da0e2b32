/** Checks of spaces: closed, bounded, named, not twice (SPC), each with its remedies beside it. */
package yentra.core.check.space;
