/**
 * Weather: files read ({@link yentra.core.climate.EpwReader}) and written, a year of hours ({@link
 * yentra.core.climate.WeatherYear}), what it comes to ({@link yentra.core.climate.ClimateSummary}),
 * days to design for ({@link yentra.core.climate.DesignDays}), moist air ({@link
 * yentra.core.climate.MoistAir}).
 */
package yentra.core.climate;
