/**
 * Choices that several remedies and the page share: constructions by type, zones by use, spaces for
 * voids.
 */
package yentra.core.check.proposal;
