/** Thermal properties, uses, schedules, heat loss, libraries. */
package yentra.server.thermal;
