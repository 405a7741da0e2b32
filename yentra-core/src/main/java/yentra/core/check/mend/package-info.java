/**
 * The repair plan: remedies for all findings, in the order in which they work best, each proven on
 * the state that the ones before it left.
 */
package yentra.core.check.mend;
