package yentra.core.scope;

/**
 * A rule of a scope sheet. Rules are read from top to bottom; the last one that fits an element
 * decides.
 *
 * @param row where it stands in the sheet, counted from 1
 */
public record ScopeRule(int row, boolean in, Selection selection, String note) {}
