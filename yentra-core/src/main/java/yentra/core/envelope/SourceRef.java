package yentra.core.envelope;

/**
 * Where an object of the envelope came from in the delivered file.
 *
 * @param elementClass the class there: a gbXML element name or an IFC entity such as {@code
 *     IfcWall}
 * @param id the id there: gbXML id, CAD id or IFC GlobalId
 * @param name the name there, or an empty string
 * @param line the line in the file, counted from 1; 0 when there is none
 * @param column the column, counted from 1; 0 when there is none
 */
public record SourceRef(String elementClass, String id, String name, int line, int column) {
  /** The source of an object that a repair made. */
  public static final SourceRef REPAIR = new SourceRef("Repair", "", "", 0, 0);

  public static SourceRef at(String elementClass, String id, int line, int column) {
    return new SourceRef(elementClass, id, "", line, column);
  }
}
