/** From one revision to the next, and the log. */
package yentra.server.revisions;
