package yentra.core.step;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import yentra.core.envelope.UnreadableException;

/**
 * The single pass that finds where instances begin, of what type they are, and which numbers are
 * referred to. Everything is kept in arrays of primitives, by ordinal: the place of an instance in
 * the file's order.
 */
final class StepIndex {
  final List<StepInstance> header = new ArrayList<>();
  final List<StepFile.Problem> problems = new ArrayList<>();
  final List<Integer> duplicates = new ArrayList<>();
  final IdSet referenced = new IdSet();
  int count;
  int[] ids;
  int[] positions;
  short[] typeOf;
  int dataStart;

  private final byte[] b;
  private final StepPlaces places;
  private final StepTypes types;

  /** Ordinal + 1 by number where numbers are dense, else null. */
  private int[] byNumber;

  /** Numbers in ascending order with their ordinals, where they are sparse. */
  private long[] sorted;

  private StepIndex(byte[] bytes) {
    b = bytes;
    places = new StepPlaces(bytes);
    types = new StepTypes(bytes);
    int guess = (int) Math.min(1 << 24, 16 + bytes.length / 64L);
    ids = new int[guess];
    positions = new int[guess];
    typeOf = new short[guess];
  }

  static StepIndex of(byte[] bytes) throws UnreadableException {
    StepIndex index = new StepIndex(bytes);
    index.run();
    index.finish();
    return index;
  }

  List<String> types() {
    return types.names();
  }

  int counts(int type) {
    return types.count(type);
  }

  long bytes(int type) {
    return types.bytes(type);
  }

  int ordinal(int id) {
    if (byNumber != null) {
      return id > 0 && id < byNumber.length ? byNumber[id] - 1 : -1;
    }
    int at = Arrays.binarySearch(sorted, (long) id << 32);
    at = at < 0 ? -at - 1 : at;
    return at < sorted.length && sorted[at] >>> 32 == id ? (int) sorted[at] : -1;
  }

  int[] ofType(String... names) {
    boolean[] wanted = new boolean[types.names().size()];
    int n = 0;
    for (String name : names) {
      int t = types.names().indexOf(name);
      if (t >= 0 && !wanted[t]) {
        wanted[t] = true;
        n += types.count(t);
      }
    }
    int[] out = new int[n];
    for (int k = 0, at = 0; at < n; k++) {
      if (wanted[typeOf[k]]) {
        out[at++] = ids[k];
      }
    }
    return out;
  }

  /** Where the number sign of an instance stands. */
  int starts(int ordinal) {
    int at = positions[ordinal];
    while (b[at] != '#') {
      at--;
    }
    return at;
  }

  /** Where the semicolon of an instance stands, plus one. */
  int end(int ordinal) {
    try {
      return new StepCursor(b, places, positions[ordinal]).statementEnd();
    } catch (UnreadableException e) {
      throw new IllegalStateException("the file was read to its end before", e);
    }
  }

  /** Line and column of a byte, counted from 1. */
  int[] place(int offset) {
    return places.of(offset);
  }

  void references(int ordinal, java.util.function.IntConsumer each) {
    new StepCursor(b, places, positions[ordinal]).references((to, at) -> each.accept(to));
  }

  List<StepFile.Dangling> dangling(StepFile file) {
    boolean any = referenced.anyOutside(this);
    if (!any) {
      return List.of();
    }
    List<StepFile.Dangling> out = new ArrayList<>();
    for (int k = 0; k < count; k++) {
      int[] seen = {0};
      int from = ids[k];
      new StepCursor(b, places, positions[k])
          .references(
              (to, at) -> {
                if (ordinal(to) < 0 && seen[0] != to) {
                  seen[0] = to;
                  int[] p = places.of(at);
                  out.add(new StepFile.Dangling(from, to, p[0], p[1]));
                }
              });
    }
    return out;
  }

  private void finish() {
    ids = Arrays.copyOf(ids, count);
    positions = Arrays.copyOf(positions, count);
    typeOf = Arrays.copyOf(typeOf, count);
    int max = 0;
    for (int id : ids) {
      max = Math.max(max, id);
    }
    if (max < 4L * count + 1024) {
      byNumber = new int[max + 1];
    } else {
      sorted = new long[count];
    }
    int kept = 0;
    for (int k = 0; k < count; k++) {
      if (byNumber != null) {
        if (byNumber[ids[k]] == 0) {
          byNumber[ids[k]] = ++kept;
          move(k, kept - 1);
        } else {
          duplicate(k);
        }
      } else {
        sorted[k] = (long) ids[k] << 32 | k;
      }
    }
    if (byNumber == null) {
      Arrays.sort(sorted);
      boolean[] drop = new boolean[count];
      for (int k = 1; k < count; k++) {
        if (sorted[k] >>> 32 == sorted[k - 1] >>> 32) {
          drop[(int) sorted[k]] = true;
        }
      }
      for (int k = 0; k < count; k++) {
        if (drop[k]) {
          duplicate(k);
        } else {
          move(k, kept++);
        }
      }
      sorted = new long[kept];
      for (int k = 0; k < kept; k++) {
        sorted[k] = (long) ids[k] << 32 | k;
      }
      Arrays.sort(sorted);
    }
    count = kept;
  }

  private void move(int from, int to) {
    ids[to] = ids[from];
    positions[to] = positions[from];
    typeOf[to] = typeOf[from];
  }

  private void duplicate(int k) {
    duplicates.add(ids[k]);
    types.less(typeOf[k]);
  }

  private void run() throws UnreadableException {
    StepCursor c = new StepCursor(b, places, b.length >= 3 && (b[0] & 0xFF) == 0xEF ? 3 : 0);
    c.skip();
    if (!c.word().equals("ISO-10303-21")) {
      throw places.unreadable(c.i, "The file does not begin with ISO-10303-21;, as IFC files do.");
    }
    c.statementEnd();
    boolean data = false;
    boolean ended = false;
    while (true) {
      c.skip();
      if (c.i >= b.length) {
        if (!data) {
          throw places.unreadable(
              b.length,
              "The file ends before its DATA section: it was cut off. Transfer or export it again.");
        }
        if (!ended) {
          throw places.unreadable(
              b.length,
              "The file ends in the middle of its data: it was cut off. Transfer or export it again.");
        }
        return;
      }
      if (b[c.i] == '#') {
        instance(c);
        continue;
      }
      int start = c.i;
      String word = c.word();
      switch (word) {
        case "DATA" -> data = true;
        case "ENDSEC" -> ended = data;
        case "END-ISO-10303-21" -> {
          if (!data) {
            throw places.unreadable(start, "The file has no DATA section.");
          }
          return;
        }
        case "HEADER" -> {}
        case "" ->
            throw places.unreadable(
                start,
                "Unexpected character '"
                    + printable(b[start])
                    + "'; an instance (#) or ENDSEC; was expected.");
        default -> {
          if (!data) {
            headerInstance(start, word);
          }
        }
      }
      c.statementEnd();
      if (word.equals("DATA") && dataStart == 0) {
        dataStart = c.i;
      }
    }
  }

  private void headerInstance(int start, String word) {
    try {
      header.add(new StepParser(b, start + word.length()).parametersOf(0, word));
    } catch (StepParser.SyntaxException e) {
      int[] p = places.of(e.offset);
      problems.add(
          new StepFile.Problem(
              "The header's " + word + " is malformed: " + e.getMessage() + ".", 0, p[0], p[1]));
    }
  }

  private void instance(StepCursor c) throws UnreadableException {
    int start = c.i++;
    int id = c.number();
    c.skip();
    if (c.i < b.length && b[c.i] == '=') {
      c.i++;
      c.skip();
      int nameAt = c.i;
      int type = c.type(types);
      c.statementEnd(referenced);
      if (type < 0 || id == 0) {
        int[] p = places.of(nameAt);
        problems.add(
            new StepFile.Problem("Instance #" + id + " has no entity name.", id, p[0], p[1]));
        return;
      }
      if (count == ids.length) {
        int more = (int) Math.min(Integer.MAX_VALUE - 16, count * 2L);
        ids = Arrays.copyOf(ids, more);
        positions = Arrays.copyOf(positions, more);
        typeOf = Arrays.copyOf(typeOf, more);
      }
      ids[count] = id;
      positions[count] = nameAt;
      typeOf[count++] = (short) type;
      types.add(type, c.i - start);
    } else {
      int[] p = places.of(start);
      problems.add(
          new StepFile.Problem("Instance #" + id + " is not followed by '='.", id, p[0], p[1]));
      c.statementEnd();
    }
  }

  private static String printable(byte c) {
    return c >= ' ' ? String.valueOf((char) c) : String.format("\\x%02x", c);
  }
}
