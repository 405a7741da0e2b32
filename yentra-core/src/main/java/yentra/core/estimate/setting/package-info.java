/** What an estimate is reckoned with ({@link yentra.core.estimate.setting.EstimateSettings}). */
package yentra.core.estimate.setting;
