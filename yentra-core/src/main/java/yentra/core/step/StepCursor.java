package yentra.core.step;

import java.nio.charset.StandardCharsets;
import yentra.core.envelope.UnreadableException;

/** A place in the bytes of a file, which goes forward. */
final class StepCursor {
  /** Told of a reference and where it stands. */
  interface ReferenceVisitor {
    void reference(int to, int offset);
  }

  int i;
  private final byte[] b;
  private final StepPlaces places;

  StepCursor(byte[] bytes, StepPlaces places, int at) {
    this.b = bytes;
    this.places = places;
    this.i = at;
  }

  int number() {
    long id = 0;
    while (i < b.length && b[i] >= '0' && b[i] <= '9') {
      id = Math.min(id * 10 + b[i++] - '0', Integer.MAX_VALUE);
    }
    return (int) id;
  }

  String word() {
    int start = i;
    while (i < b.length && isWord(b[i])) {
      i++;
    }
    return new String(b, start, i - start, StandardCharsets.ISO_8859_1);
  }

  /** The number of the type whose name stands here, or -1 when there is none. */
  int type(StepTypes types) {
    int start = i;
    int hash = 0;
    while (i < b.length && isWord(b[i])) {
      hash = hash * 31 + (b[i++] & 0xDF);
    }
    return i == start ? -1 : types.find(start, i, hash);
  }

  /** Goes past the next semicolon outside strings and comments. */
  int statementEnd() throws UnreadableException {
    return statementEnd(null);
  }

  int statementEnd(IdSet references) throws UnreadableException {
    byte[] bytes = b;
    int k = i;
    while (k < bytes.length) {
      byte c = bytes[k++];
      if (c > ';') {
        continue;
      }
      if (c == ';') {
        i = k;
        return k;
      }
      if (c == '#') {
        if (references != null) {
          i = k;
          references.add(number());
          k = i;
        }
      } else if (c == '\'') {
        k = string(k - 1);
      } else if (c == '/' && k < bytes.length && bytes[k] == '*') {
        i = k - 1;
        comment();
        k = i;
      }
    }
    throw places.unreadable(
        b.length,
        "The file ends in the middle of an instance: it was cut off. Transfer or export it again.");
  }

  private int string(int start) throws UnreadableException {
    int k = start + 1;
    while (k < b.length) {
      if (b[k++] == '\'') {
        if (k < b.length && b[k] == '\'') {
          k++;
        } else {
          return k;
        }
      }
    }
    throw places.unreadable(
        start, "A string begins here that never ends: a closing quote (') is missing.");
  }

  private void comment() throws UnreadableException {
    int start = i;
    for (i += 2; i + 1 < b.length; i++) {
      if (b[i] == '*' && b[i + 1] == '/') {
        i += 2;
        return;
      }
    }
    throw places.unreadable(start, "A comment begins here that never ends: */ is missing.");
  }

  void skip() throws UnreadableException {
    while (i < b.length) {
      if (b[i] >= 0 && b[i] <= ' ') {
        i++;
      } else if (b[i] == '/' && i + 1 < b.length && b[i + 1] == '*') {
        comment();
      } else {
        return;
      }
    }
  }

  void references(ReferenceVisitor visitor) {
    while (i < b.length && b[i] != ';') {
      if (b[i] == '\'') {
        try {
          i = string(i);
        } catch (UnreadableException e) {
          throw new IllegalStateException("the file was read to its end before", e);
        }
      } else if (b[i] == '#') {
        int at = i++;
        visitor.reference(number(), at);
      } else {
        i++;
      }
    }
  }

  private static boolean isWord(byte c) {
    return c >= 'A' && c <= 'Z'
        || c >= 'a' && c <= 'z'
        || c >= '0' && c <= '9'
        || c == '_'
        || c == '-';
  }
}
