package yentra.core.gbxml;

import yentra.core.envelope.ReadNote;
import yentra.core.envelope.SourceRef;

/** Key and place of an element that has an id. */
record Header(String key, String id, String element, int line, int column) {
  /**
   * The header of the element just entered; a missing id is noted and replaced by one made from the
   * place.
   */
  static Header of(String element, Cursor cursor, Values values, References references) {
    String id = cursor.attribute("id");
    int line = cursor.line();
    int column = cursor.column();
    if (id != null && !id.isBlank()) {
      return new Header(references.key(id), id, element, line, column);
    }
    String key = references.key(element.toLowerCase(java.util.Locale.ROOT) + "-line-" + line);
    values.note(
        ReadNote.Kind.MISSING_REQUIRED,
        key,
        "id",
        "",
        "A " + element + " has no id; it is read as " + key + ".",
        line,
        column);
    return new Header(key, "", element, line, column);
  }

  SourceRef source(String name) {
    return new SourceRef(element, id, name, line, column);
  }
}
