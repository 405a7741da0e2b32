package yentra.core.scope;

import yentra.core.scope.ScopeSheet.Gravity;

/**
 * What a scope sheet wants of the elements a selection names.
 *
 * @param row where it stands in the sheet, counted from 1
 * @param title what it is called, or empty
 * @param what the property, attribute or the like, with the test its value must pass; null where
 *     the elements themselves must or must not exist
 * @param schemas the IFC schemas it is meant for, such as {@code IFC4}, with blanks between; empty
 *     for all
 */
public record Requirement(
    int row,
    String title,
    Selection selection,
    Condition what,
    Need need,
    Gravity gravity,
    String note,
    String schemas) {
  /** Whether it is meant for a schema. */
  boolean isFor(String schema) {
    if (schemas.isBlank() || schema.isBlank()) {
      return true;
    }
    for (String s : schemas.strip().split("\\s+")) {
      if (schema.toUpperCase(java.util.Locale.ROOT).startsWith(s.split("_")[0])
          && schema.startsWith("IFC4X3") == s.startsWith("IFC4X3")) {
        return true;
      }
    }
    return false;
  }

  /** How much it is needed. */
  public enum Need {
    /** It must be there and pass. */
    REQUIRED,
    /** Where it is there, it must pass. */
    OPTIONAL,
    /** It stays when other properties are dropped; nothing is asked of it. */
    KEPT,
    /** It must not be there, or not with such a value. */
    PROHIBITED,
    /** At least one such element must exist. */
    EXISTS,
    /** No such element may exist. */
    ABSENT
  }
}
