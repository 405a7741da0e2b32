/** Findings as topics for other programs, and their answers: BCF 2.1 and 3.0 (buildingSMART). */
package yentra.core.bcf;
