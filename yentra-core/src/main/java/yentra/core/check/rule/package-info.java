/**
 * What a check is made of: {@link yentra.core.check.rule.Check}, or {@link
 * yentra.core.check.rule.LocalCheck} where findings depend on single objects and what is near them;
 * and {@link yentra.core.check.rule.Offer}, which it fills with remedies.
 */
package yentra.core.check.rule;
