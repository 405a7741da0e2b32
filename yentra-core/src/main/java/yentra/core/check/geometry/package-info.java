/**
 * Checks of single outlines and of surfaces in one plane (GEO), each with its remedies beside it.
 */
package yentra.core.check.geometry;
