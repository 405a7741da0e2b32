/**
 * What modelling tools open: the faces of an envelope as glTF binary and as DXF. {@link
 * yentra.core.exchange.shape.Facets} says which faces there are, the writers how they are written.
 */
package yentra.core.exchange.shape;
