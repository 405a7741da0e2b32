/** The check catalogue: one class a check, run over a shared context. */
package yentra.core.check;
