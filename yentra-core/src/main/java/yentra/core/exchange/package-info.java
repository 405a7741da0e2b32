/** Files handed over, and the comparison of envelopes. */
package yentra.core.exchange;
