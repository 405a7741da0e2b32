package yentra.core.intake;

import java.nio.charset.StandardCharsets;
import java.util.Locale;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.UnreadableException;

/** What kind of file the first bytes say it is; the file's name is not trusted. */
public enum DeliveryFormat {
  GBXML,
  IFC,
  /** A zip archive with one IFC file in it. */
  IFCZIP,
  /** A drawn building: a plan document (JSON). */
  PLAN;

  /**
   * Judges a file by its first bytes.
   *
   * @param head the first bytes, at least {@link ReadLimits#blanks()} of them unless the file is
   *     shorter
   * @param length the length of the whole file in bytes
   * @throws UnreadableException when it is none of them, saying how they begin
   */
  static DeliveryFormat of(byte[] head, long length, ReadLimits limits) throws UnreadableException {
    if (length == 0) {
      throw new UnreadableException(
          "The file is empty (0 bytes). Export or transfer it again.", 1, 1);
    }
    if (length > limits.bytes()) {
      throw new UnreadableException(
          "The file has "
              + length / 1_000_000
              + " MB; Yentra reads files of up to "
              + limits.bytes() / 1_000_000
              + " MB.",
          1,
          1);
    }
    if (starts(head, 'P', 'K', 3, 4)) {
      return IFCZIP;
    }
    if (starts(head, 0xFE, 0xFF) || starts(head, 0xFF, 0xFE)) {
      return GBXML;
    }
    String text = new String(head, StandardCharsets.ISO_8859_1);
    int at = starts(head, 0xEF, 0xBB, 0xBF) ? 3 : 0;
    while (at < text.length() && (text.charAt(at) <= ' ')) {
      at++;
    }
    if (at == text.length()) {
      throw new UnreadableException(
          length > head.length
              ? "The file begins with more than "
                  + head.length
                  + " blank bytes, which no IFC, gbXML or plan document does."
              : "The file holds nothing but blanks.",
          1,
          1);
    }
    String start = text.substring(at, Math.min(text.length(), at + 64)).toUpperCase(Locale.ROOT);
    if (start.startsWith("<")) {
      return GBXML;
    }
    if (start.startsWith("{")) {
      return PLAN;
    }
    if (start.startsWith("ISO-10303-21") || start.startsWith("/*")) {
      return IFC;
    }
    throw new UnreadableException(
        "This is no IFC (which begins with ISO-10303-21;), no gbXML (which begins with <) and no plan document (which begins with {).",
        1,
        1);
  }

  private static boolean starts(byte[] head, int... bytes) {
    if (head.length < bytes.length) {
      return false;
    }
    for (int i = 0; i < bytes.length; i++) {
      if ((head[i] & 0xFF) != bytes[i]) {
        return false;
      }
    }
    return true;
  }
}
