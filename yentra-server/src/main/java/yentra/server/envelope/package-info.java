/** The model of a delivery as the page has it, its repairs, its boundaries. */
package yentra.server.envelope;
