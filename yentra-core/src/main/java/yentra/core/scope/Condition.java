package yentra.core.scope;

/**
 * Something that must hold of an element.
 *
 * @param subject what is looked at
 * @param set of properties: the property set; of classifications: the system; of wholes: the
 *     relation, such as {@code IfcRelAggregates}; null when any will do
 * @param name of properties and attributes: the name; of wholes: the predefined type; else null
 * @param test of the value; of wholes: of the class
 * @param dataType the value's type, such as {@code IfcLabel}, or empty when any will do
 * @param unit the unit of the test's numbers, or empty for SI
 */
public record Condition(
    Subject subject, ValueTest set, ValueTest name, ValueTest test, String dataType, String unit) {
  /** What of an element a condition looks at. */
  public enum Subject {
    /** The class itself, without subtypes; {@code name} tests the predefined type. */
    CLASS,
    PREDEFINED_TYPE,
    TYPE,
    STOREY,
    NAME,
    LAYER,
    MATERIAL,
    CLASSIFICATION,
    PART_OF,
    ATTRIBUTE,
    PROPERTY
  }

  public static Condition of(Subject subject, ValueTest test) {
    return new Condition(subject, null, null, test, "", "");
  }

  public static Condition property(String set, String name, ValueTest test) {
    return new Condition(
        Subject.PROPERTY,
        set.isEmpty() ? null : ValueTest.exactly(set),
        ValueTest.exactly(name),
        test,
        "",
        "");
  }

  /** In words, such as "Pset_WallCommon.FireRating is F30; F60". */
  public String words() {
    String what =
        switch (subject) {
          case CLASS -> "class";
          case PREDEFINED_TYPE -> "predefined type";
          case TYPE -> "type";
          case STOREY -> "storey";
          case NAME -> "name";
          case LAYER -> "layer";
          case MATERIAL -> "material";
          case CLASSIFICATION -> "classification" + (set == null ? "" : " in " + set.words());
          case PART_OF -> "part of";
          case ATTRIBUTE -> name == null ? "attribute" : name.words();
          case PROPERTY ->
              (set == null ? "" : set.words() + ".") + (name == null ? "any" : name.words());
        };
    return what + " is " + test.words() + (unit.isEmpty() ? "" : " " + unit);
  }
}
