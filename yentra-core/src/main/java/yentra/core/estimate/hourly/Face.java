package yentra.core.estimate.hourly;

import yentra.core.geometry.Polygon;

/**
 * A face that looks outdoors.
 *
 * @param polygon turned outwards, in model coordinates
 * @param tilt degrees; 0 looks up
 * @param azimuth degrees clockwise from true north
 */
record Face(Polygon polygon, double tilt, double azimuth) {}
