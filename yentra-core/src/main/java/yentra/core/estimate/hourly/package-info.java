/**
 * The hourly year after ISO 52016-1: the building as a network of spaces and components, its
 * weather on each face, the hours one by one, and what they come to.
 */
package yentra.core.estimate.hourly;
