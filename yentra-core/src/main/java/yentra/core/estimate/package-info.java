/**
 * What a building needs: how it is asked ({@link yentra.core.estimate.setting.EstimateSettings}),
 * the hourly year (package {@code hourly}), design loads, the monthly method and the simple hourly
 * one as second opinions. It answers whether a translation is plausible; it is no certified result.
 */
package yentra.core.estimate;
