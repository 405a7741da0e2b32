/** Repairs as pure, serialisable functions; remedies, preview and replay. */
package yentra.core.repair;
