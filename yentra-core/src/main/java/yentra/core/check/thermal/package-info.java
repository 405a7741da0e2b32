/** Checks of constructions, materials and window types (THM), each with its remedies. */
package yentra.core.check.thermal;
