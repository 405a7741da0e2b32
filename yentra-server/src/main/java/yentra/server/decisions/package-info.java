/** What people decided and answered about findings. */
package yentra.server.decisions;
