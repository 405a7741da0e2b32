/** Repairs of surfaces: shape, type, neighbours; joining, splitting, matching. */
package yentra.core.repair.surface;
