/**
 * Variants of a project and what they come to: {@link yentra.server.variants.VariantStore} keeps
 * their changes and the targets, {@link yentra.server.variants.Bases} the states that they are made
 * on, {@link yentra.server.variants.VariantRuns} and {@link yentra.server.variants.Sweeps} ask for
 * runs, which {@link yentra.server.variants.VariantWorker} does on any node.
 */
package yentra.server.variants;
