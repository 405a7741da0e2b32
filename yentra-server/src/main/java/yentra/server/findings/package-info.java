/** Findings: limits, one remedy for many, messages, topics, the catalogue of checks. */
package yentra.server.findings;
