/**
 * Reports and write-ups: {@link yentra.server.report.WriteUp} says what stands in one, block after
 * block; {@link yentra.server.report.Reports} makes it as one HTML page or as PDF. Pages are
 * written with {@link yentra.server.web.Markup}, charts with {@link
 * yentra.server.report.ChartDrawing}, and printed by {@link yentra.server.report.Pdf}.
 */
package yentra.server.report;
