/** Repairs of openings. */
package yentra.core.repair.opening;
