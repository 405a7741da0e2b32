/** Repairs of a delivery as a whole: place, unit, ids, references. */
package yentra.core.repair.delivery;
