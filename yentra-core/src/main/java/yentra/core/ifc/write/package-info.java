/** Envelopes written as complete IFC4 models with second-level space boundaries. */
package yentra.core.ifc.write;
