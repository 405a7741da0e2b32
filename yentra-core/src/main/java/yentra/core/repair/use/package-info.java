/** Repairs of uses, schedules and zones. */
package yentra.core.repair.use;
