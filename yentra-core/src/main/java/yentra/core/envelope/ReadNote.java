package yentra.core.envelope;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;

/**
 * Something the reader has to say about the delivered file.
 *
 * @param kind what it is about
 * @param object key of the object concerned, or an empty string for the file as a whole
 * @param subject the attribute or element concerned, or an empty string
 * @param member what of the object it is about, where the envelope has it; else null
 * @param value the value concerned (the missing id, the value that could not be read), or an empty
 *     string
 * @param figure what was measured, where something was: metres, or degrees of {@link
 *     Kind#NORTH_TWICE}; else null
 * @param count how often, where that matters
 * @param message what is wrong, in a sentence
 * @param names further names of the objects concerned that are not keys of the envelope: GlobalIds,
 *     {@code #12}
 */
@RecordBuilder
public record ReadNote(
    Kind kind,
    String object,
    String subject,
    Member member,
    String value,
    Double figure,
    int count,
    String message,
    int line,
    int column,
    List<String> names)
    implements ReadNoteBuilder.With {
  public ReadNote {
    names = List.copyOf(names);
  }

  /** A note about the file as a whole, of no place in it. */
  public static ReadNote of(Kind kind, String message) {
    return new ReadNote(kind, "", "", null, "", null, 1, message, 0, 0, List.of());
  }

  public ReadNote about(String key) {
    return withObject(key);
  }

  /** With the attribute or element concerned, and its value. */
  public ReadNote on(String attribute, String of) {
    return with().subject(attribute).value(of).build();
  }

  public ReadNote measured(double of) {
    return withFigure(of);
  }

  public ReadNote times(int n) {
    return withCount(n);
  }

  public ReadNote at(int atLine, int atColumn) {
    return with().line(atLine).column(atColumn).build();
  }

  /**
   * @param place line and column, from 1
   */
  public ReadNote at(int[] place) {
    return at(place[0], place[1]);
  }

  public ReadNote naming(List<String> objects) {
    return withNames(objects);
  }

  /** The kinds of note. */
  public enum Kind {
    UNKNOWN_SCHEMA,
    /** Where the ground is taken to be, since nothing says so. */
    GROUND_ASSUMED,
    DUPLICATE_ID,
    DANGLING_REFERENCE,
    MISSING_REQUIRED,
    BAD_VALUE,
    UNIT_ASSUMED,
    /** A piece of the file that breaks the grammar, and was passed over. */
    MALFORMED,
    /** A definition that nothing refers to. */
    UNUSED,
    /** A placement or vertex far from the origin. */
    FAR_AWAY,
    /** North is stated more than once; the value is the angle between the two in degrees. */
    NORTH_TWICE,
    /** Geometry that was simplified, or could not be read. */
    APPROXIMATED,
    /** A space boundary that is not on its space. */
    SPACE_BOUNDARY,
    /** A space that only groups others, which are named. */
    GROUPING,
    /** Spaces were to be found, and there are none. */
    NO_SPACES,
    /** There are boundaries, but none of the second level. */
    FIRST_LEVEL_ONLY,
    /** Something was taken for granted that the file does not say. */
    ASSUMED,
    /** Something in the file was not taken into the envelope. */
    LEFT_OUT,
    /**
     * A rule asks for more openings than a surface has room for; the figure is the share asked for.
     */
    UNFITTED,
    /** Something in the file that cannot be written back. */
    LOST
  }
}
