/** What is kept of deliveries: bytes, logs, and the state that they give, computed and cached. */
package yentra.server.deliveries;
