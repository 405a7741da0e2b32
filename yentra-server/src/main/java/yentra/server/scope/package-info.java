/** Scope sheets, values, and what they make of a delivery. */
package yentra.server.scope;
