/** Repairs of constructions, materials and window types, and of who has which. */
package yentra.core.repair.construction;
