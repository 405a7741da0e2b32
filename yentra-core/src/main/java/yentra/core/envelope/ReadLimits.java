package yentra.core.envelope;

/**
 * Limits that keep a hostile or broken file from taking the machine down.
 *
 * @param bytes largest file, in bytes
 * @param objects most objects of one kind (spaces, surfaces, openings …)
 * @param depth deepest nesting of XML elements or of IFC placements and geometry
 * @param blanks longest run of blank bytes at the start of a file
 */
public record ReadLimits(long bytes, int objects, int depth, int blanks) {
  public static ReadLimits standard() {
    return new ReadLimits(2_000_000_000L, 2_000_000, 900, 65_536);
  }
}
