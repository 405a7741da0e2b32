/** Heat transmission of construction: resistances and U-values to the standards. */
package yentra.core.thermal;
