package yentra.core.envelope;

import yentra.core.geometry.Vec3;

/**
 * An enclosed volume that a person wants as a space, named by a place in it, so that it is found
 * again when the construction around it changes.
 *
 * @param name of the space
 * @param inside in model coordinates, metres
 */
public record SpaceSeed(String name, Vec3 inside) {}
