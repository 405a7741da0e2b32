/**
 * Points, planes, polygons and shells; every comparison takes its {@link
 * yentra.core.geometry.Tolerance} from the caller. Knows nothing of buildings.
 *
 * <p>Which one to choose:
 *
 * <ul>
 *   <li>what two polygons of nearly one plane share, leave or make: {@link
 *       yentra.core.geometry.PlanarOverlay}. Beneath it, for geometry that is flat already and may
 *       cross itself, {@link yentra.core.geometry.RobustOverlay}
 *   <li>only the area that convex outlines share, very often: {@link
 *       yentra.core.geometry.ConvexClip}
 *   <li>polygons side by side as few faces: {@link yentra.core.geometry.CoplanarMerge}; the flat
 *       faces of a body of triangles: {@link yentra.core.geometry.CoplanarFaces}
 *   <li>solids cut from or joined with solids: {@link yentra.core.geometry.SolidOverlay}
 *   <li>whether faces close, what they enclose, which point inwards: {@link
 *       yentra.core.geometry.Shell}; where they do not close: {@link
 *       yentra.core.geometry.OpenEdges}
 *   <li>what a line meets in a body: {@link yentra.core.geometry.SolidProbe}; what lies near a box:
 *       {@link yentra.core.geometry.BoxIndex}
 *   <li>corners on straight lines removed: {@link yentra.core.geometry.Straightening}; a polygon
 *       with holes as one ring: {@link yentra.core.geometry.Seam}
 * </ul>
 */
package yentra.core.geometry;
