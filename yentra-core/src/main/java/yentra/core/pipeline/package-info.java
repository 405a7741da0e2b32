/**
 * The one way from a delivered file to a checked state: {@link yentra.core.pipeline.Delivery} is
 * what was read, {@link yentra.core.pipeline.Stage} what scope and boundaries make of it. Command
 * line, server and bench all go it, with options that are known before anything is read.
 */
package yentra.core.pipeline;
