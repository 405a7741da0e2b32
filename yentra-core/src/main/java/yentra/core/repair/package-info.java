/**
 * Changes to an envelope as pure, serialisable functions, by what they change in the packages
 * below; here what all of them share. {@link yentra.core.repair.Several} makes many as one, {@link
 * yentra.core.repair.Replay} makes a log again.
 */
package yentra.core.repair;
