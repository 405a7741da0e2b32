/** Checks of what lies on a surface's two sides and of its type (ADJ), each with its remedies. */
package yentra.core.check.adjacency;
