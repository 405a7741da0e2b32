/**
 * Linear thermal bridges of an envelope: found ({@link yentra.core.junction.Junctions}), with the
 * default ψ of ISO 14683 ({@link yentra.core.junction.PsiValues}).
 */
package yentra.core.junction;
