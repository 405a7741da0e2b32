/**
 * The analytical model: immutable records with stable keys and a reference to the delivered file on
 * each.
 */
package yentra.core.envelope;
