/** Projects and their settings. */
package yentra.server.projects;
