package yentra.core.finding;

/** Which findings of one check are told as one group where no cause is known. */
public enum Together {
  /** All of them. */
  ALL,
  /** Each is a matter of its own. */
  NONE,
  /** Those that name the same material, construction or zone. */
  SHARED_OBJECT,
  /** Those of the same subject. */
  SUBJECT
}
