/** Files that are handed over. */
package yentra.server.handover;
