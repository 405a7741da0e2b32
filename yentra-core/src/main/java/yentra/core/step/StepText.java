package yentra.core.step;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;

/**
 * Decodes the strings of ISO 10303-21 (clause 6.4.3): {@code ''}, {@code \\}, {@code \S\}, {@code
 * \P.\}, {@code \X\}, {@code \X2\} and {@code \X4\}. A malformed directive is kept as it stands.
 * Bytes above 127, which the standard forbids but files hold, are taken as UTF-8 where that fits
 * and as ISO 8859-1 where it does not.
 */
final class StepText {
  private StepText() {}

  static String decode(byte[] b, int from, int to) {
    boolean plain = true;
    boolean high = false;
    for (int i = from; i < to; i++) {
      plain &= b[i] != '\\' && b[i] != '\'' && b[i] != 0;
      high |= b[i] < 0;
    }
    String s =
        new String(b, from, to - from, high ? charset(b, from, to) : StandardCharsets.ISO_8859_1);
    return plain ? s : directives(s);
  }

  private static Charset charset(byte[] b, int from, int to) {
    try {
      StandardCharsets.UTF_8.newDecoder().decode(java.nio.ByteBuffer.wrap(b, from, to - from));
      return StandardCharsets.UTF_8;
    } catch (java.nio.charset.CharacterCodingException e) {
      return StandardCharsets.ISO_8859_1;
    }
  }

  private static String directives(String s) {
    StringBuilder out = new StringBuilder(s.length());
    Charset page = StandardCharsets.ISO_8859_1;
    int i = 0;
    while (i < s.length()) {
      char c = s.charAt(i);
      if (c == '\'') {
        out.append('\'');
        i += s.startsWith("''", i) ? 2 : 1;
      } else if (c != '\\') {
        out.append(c == 0 ? '\uFFFD' : c);
        i++;
      } else if (s.startsWith("\\\\", i)) {
        out.append('\\');
        i += 2;
      } else if (s.startsWith("\\S\\", i) && i + 3 < s.length()) {
        out.append(new String(new byte[] {(byte) (s.charAt(i + 3) + 128)}, page));
        i += 4;
      } else if (s.startsWith("\\P", i) && i + 3 < s.length() && s.charAt(i + 3) == '\\') {
        page = page(s.charAt(i + 2));
        i += 4;
      } else if (s.startsWith("\\X\\", i) && hex(s, i + 3, 2) >= 0) {
        int code = hex(s, i + 3, 2);
        out.append(code == 0 ? '\uFFFD' : (char) code);
        i += 5;
      } else if (s.startsWith("\\X2\\", i)) {
        i = wide(s, i + 4, 4, out);
      } else if (s.startsWith("\\X4\\", i)) {
        i = wide(s, i + 4, 8, out);
      } else {
        out.append(c);
        i++;
      }
    }
    return out.toString();
  }

  private static int wide(String s, int at, int digits, StringBuilder out) {
    int i = at;
    while (i < s.length() && s.charAt(i) != '\\') {
      int code = hex(s, i, digits);
      if (code < 0 || code > Character.MAX_CODE_POINT) {
        break;
      }
      // no text has a NUL; it would end it for others
      out.appendCodePoint(code == 0 ? 0xFFFD : code);
      i += digits;
    }
    if (i == at) {
      // no code at all: the directive is kept as it stands
      out.append(s, at - 4, at);
    }
    return s.startsWith("\\X0\\", i) ? i + 4 : i;
  }

  private static int hex(String s, int at, int n) {
    if (at + n > s.length()) {
      return -1;
    }
    int v = 0;
    for (int i = at; i < at + n; i++) {
      int d = Character.digit(s.charAt(i), 16);
      if (d < 0 || v > 0x0FFFFFFF) {
        return -1;
      }
      v = v << 4 | d;
    }
    return v;
  }

  private static Charset page(char p) {
    int n = p - 'A' + 1;
    String name = "ISO-8859-" + n;
    return n >= 1 && n <= 9 && Charset.isSupported(name)
        ? Charset.forName(name)
        : StandardCharsets.ISO_8859_1;
  }
}
