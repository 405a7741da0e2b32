/**
 * The sun: where it stands ({@link yentra.core.solar.SunPosition}), how it falls on faces ({@link
 * yentra.core.solar.Transposition}), through glass ({@link yentra.core.solar.GlassByAngle}), and
 * how much of a face it reaches ({@link yentra.core.solar.SunlitShares}).
 */
package yentra.core.solar;
