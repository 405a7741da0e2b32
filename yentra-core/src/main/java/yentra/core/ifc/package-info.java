/** IFC entities: units, placements, bodies, space boundaries, materials; from them the envelope. */
package yentra.core.ifc;
