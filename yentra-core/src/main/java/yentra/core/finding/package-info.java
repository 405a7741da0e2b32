/**
 * What a finding is and what a check says of itself: ids, evidence, severities, limits, causes.
 * Knows no check.
 */
package yentra.core.finding;
