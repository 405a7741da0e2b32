/** Files that come in, and the jobs that read them. */
package yentra.server.intake;
