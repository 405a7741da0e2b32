/** The architectural model as delivered: elements with their properties, materials and bodies. */
package yentra.core.model;
