/**
 * Drawn buildings: the plan document of a delivery, drawing it anew, and what a drawing comes to.
 */
package yentra.server.plans;
