/** Units of quantities and their exact factors to SI. */
package yentra.core.units;
