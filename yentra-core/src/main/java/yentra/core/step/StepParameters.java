package yentra.core.step;

/** Told of the top-level parameters of an instance, one after the other. */
public interface StepParameters {
  /** The kind of a parameter, as the exchange structure writes it. */
  enum Kind {
    UNSET,
    DERIVED,
    REFERENCE,
    ENUMERATION,
    NUMBER,
    TEXT,
    BINARY,
    LIST,
    TYPED
  }

  /**
   * One parameter.
   *
   * @param index its place, counted from 0
   * @param slice its text in the file
   */
  void parameter(int index, Kind kind, StepFile.Slice slice);
}
