/** Repairs of spaces: adding, joining, splitting, naming, shells. */
package yentra.core.repair.space;
