/** Recognises and reads delivered files. */
package yentra.core.intake;
