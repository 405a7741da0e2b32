/**
 * The kinds of {@link yentra.core.variant.change.Change} that variants are made of, and the state
 * that they are worked out on. To add a kind: a record that implements the interface, its name in
 * the interface's list, a sample of it in the tests.
 */
package yentra.core.variant.change;
