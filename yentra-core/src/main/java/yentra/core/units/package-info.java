/**
 * Units of quantities and their exact factors to SI: {@link yentra.core.units.Quantity} is the
 * table, {@link yentra.core.units.LengthUnit} what models are drawn in. How a file format names a
 * unit stands with its reader.
 */
package yentra.core.units;
