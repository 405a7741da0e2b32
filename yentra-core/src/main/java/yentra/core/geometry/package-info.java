/**
 * Points, planes, polygons and shells; every comparison takes its {@link
 * yentra.core.geometry.Tolerance} from the caller.
 */
package yentra.core.geometry;
