package yentra.core.exchange.shape;

/**
 * What was written for modelling tools.
 *
 * @param faces how many faces
 * @param groups kinds of faces, or layers
 * @param withoutArea faces that have none and were left out
 */
public record ShapesWritten(int faces, int groups, int withoutArea) {}
