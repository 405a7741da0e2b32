package yentra.core.finding;

/**
 * Where a finding is answered that no repair answers.
 *
 * @param label what to do there, for a button
 * @param table the table of the workspace that it is done in, or null
 */
public record Elsewhere(String label, Workspace workspace, String table) {}
