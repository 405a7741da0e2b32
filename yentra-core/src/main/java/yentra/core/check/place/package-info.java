/** Checks of units, place, north and ground (UNI, LOC), each with its remedies. */
package yentra.core.check.place;
