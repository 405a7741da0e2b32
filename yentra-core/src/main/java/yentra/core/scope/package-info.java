/** Scope sheets: what one purpose needs of an architectural model, and applying them. */
package yentra.core.scope;
