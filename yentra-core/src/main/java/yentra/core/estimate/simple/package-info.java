/** Simpler methods as second opinions: the simple hourly and the monthly one of ISO 13790. */
package yentra.core.estimate.simple;
