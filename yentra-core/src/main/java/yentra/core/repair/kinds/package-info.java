/** The one list of all kinds of repairs, for reading and writing logs. */
package yentra.core.repair.kinds;
