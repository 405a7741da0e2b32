/**
 * What is measured once for all checks of a state: {@link yentra.core.check.measure.CheckContext}
 * holds the envelope with its limits and hands out volumes, areas, neighbours, thermal build-ups
 * and what has changed. Knows no concrete check: limits that decide what is measured stand here,
 * and the checks that tell of it take them from here.
 */
package yentra.core.check.measure;
