package yentra.core.step;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import yentra.core.envelope.UnreadableException;

/**
 * The single pass that finds where instances begin, of what type they are, and which numbers are
 * referred to. Everything is kept in arrays of primitives, by ordinal: the place of an instance in
 * the file's order.
 */
final class StepIndex {
  /** Line starts are counted once for every block of this many bytes. */
  private static final int BLOCK = 1 << 10;

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
  private final List<String> types = new ArrayList<>();
  private final TypeTable table = new TypeTable();
  private int[] typeCounts = new int[64];
  private long[] typeBytes = new long[64];

  /** Ordinal + 1 by number where numbers are dense, else null. */
  private int[] byNumber;

  /** Numbers in ascending order with their ordinals, where they are sparse. */
  private long[] sorted;

  private int[] linesBefore;

  private StepIndex(byte[] bytes) {
    b = bytes;
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
    return types;
  }

  int counts(int type) {
    return typeCounts[type];
  }

  long bytes(int type) {
    return typeBytes[type];
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
    boolean[] wanted = new boolean[types.size()];
    int n = 0;
    for (String name : names) {
      int t = types.indexOf(name);
      if (t >= 0 && !wanted[t]) {
        wanted[t] = true;
        n += typeCounts[t];
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
      return new Cursor(positions[ordinal]).statementEnd();
    } catch (UnreadableException e) {
      throw new IllegalStateException("the file was read to its end before", e);
    }
  }

  /** Line and column of a byte, counted from 1. */
  int[] place(int offset) {
    int[] before = lines();
    int block = Math.min(offset / BLOCK, before.length - 1);
    int line = before[block] + 1;
    int at = block * BLOCK;
    for (int k = at; k < offset && k < b.length; k++) {
      if (b[k] == '\n') {
        line++;
      }
    }
    int start = Math.min(offset, b.length);
    while (start > 0 && b[start - 1] != '\n') {
      start--;
    }
    return new int[] {line, offset - start + 1};
  }

  private synchronized int[] lines() {
    if (linesBefore == null) {
      linesBefore = new int[b.length / BLOCK + 1];
      int n = 0;
      for (int k = 0; k < b.length; k++) {
        if (k % BLOCK == 0) {
          linesBefore[k / BLOCK] = n;
        }
        if (b[k] == '\n') {
          n++;
        }
      }
      if (b.length % BLOCK == 0) {
        linesBefore[b.length / BLOCK] = n;
      }
    }
    return linesBefore;
  }

  void references(int ordinal, java.util.function.IntConsumer each) {
    new Cursor(positions[ordinal]).references((to, at) -> each.accept(to));
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
      new Cursor(positions[k])
          .references(
              (to, at) -> {
                if (ordinal(to) < 0 && seen[0] != to) {
                  seen[0] = to;
                  int[] p = place(at);
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
    typeCounts[typeOf[k]]--;
  }

  private void run() throws UnreadableException {
    Cursor c = new Cursor(b.length >= 3 && (b[0] & 0xFF) == 0xEF ? 3 : 0);
    c.skip();
    if (!c.word().equals("ISO-10303-21")) {
      throw at(c.i, "The file does not begin with ISO-10303-21;, as IFC files do.");
    }
    c.statementEnd();
    boolean data = false;
    boolean ended = false;
    while (true) {
      c.skip();
      if (c.i >= b.length) {
        if (!data) {
          throw at(
              b.length,
              "The file ends before its DATA section: it was cut off. Transfer or export it again.");
        }
        if (!ended) {
          throw at(
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
            throw at(start, "The file has no DATA section.");
          }
          return;
        }
        case "HEADER" -> {}
        case "" ->
            throw at(
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
      int[] p = place(e.offset);
      problems.add(
          new StepFile.Problem(
              "The header's " + word + " is malformed: " + e.getMessage() + ".", 0, p[0], p[1]));
    }
  }

  private void instance(Cursor c) throws UnreadableException {
    int start = c.i++;
    int id = c.number();
    c.skip();
    if (c.i < b.length && b[c.i] == '=') {
      c.i++;
      c.skip();
      int nameAt = c.i;
      int type = c.type();
      c.statementEnd(referenced);
      if (type < 0 || id == 0) {
        int[] p = place(nameAt);
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
      typeCounts[type]++;
      typeBytes[type] += c.i - start;
    } else {
      int[] p = place(start);
      problems.add(
          new StepFile.Problem("Instance #" + id + " is not followed by '='.", id, p[0], p[1]));
      c.statementEnd();
    }
  }

  private UnreadableException at(int offset, String message) {
    int[] p = place(offset);
    return new UnreadableException(message, p[0], p[1]);
  }

  private static String printable(byte c) {
    return c >= ' ' ? String.valueOf((char) c) : String.format("\\x%02x", c);
  }

  /** Told of a reference and where it stands. */
  private interface ReferenceVisitor {
    void reference(int to, int offset);
  }

  /** A place in the bytes. */
  private final class Cursor {
    private int i;

    Cursor(int at) {
      i = at;
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
    int type() {
      int start = i;
      int hash = 0;
      while (i < b.length && isWord(b[i])) {
        hash = hash * 31 + (b[i++] & 0xDF);
      }
      return i == start ? -1 : table.find(start, i, hash);
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
      throw at(
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
      throw at(start, "A string begins here that never ends: a closing quote (') is missing.");
    }

    private void comment() throws UnreadableException {
      int start = i;
      for (i += 2; i + 1 < b.length; i++) {
        if (b[i] == '*' && b[i + 1] == '/') {
          i += 2;
          return;
        }
      }
      throw at(start, "A comment begins here that never ends: */ is missing.");
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
  }

  private static boolean isWord(byte c) {
    return c >= 'A' && c <= 'Z'
        || c >= 'a' && c <= 'z'
        || c >= '0' && c <= '9'
        || c == '_'
        || c == '-';
  }

  /** Type names by their bytes, without making a string for every instance. */
  private final class TypeTable {
    private int[] slots = new int[4096];
    private int[] hashes = new int[4096];
    private final Map<String, Integer> known = new HashMap<>();

    int find(int from, int to, int hash) {
      int mask = slots.length - 1;
      int at = (hash ^ hash >>> 15) & mask;
      while (slots[at] != 0) {
        if (hashes[at] == hash && matches(types.get(slots[at] - 1), from, to)) {
          return slots[at] - 1;
        }
        at = (at + 1) & mask;
      }
      return add(from, to, at, hash);
    }

    private boolean matches(String name, int from, int to) {
      if (name.length() != to - from) {
        return false;
      }
      for (int k = 0; k < name.length(); k++) {
        byte c = b[from + k];
        if ((c >= 'a' && c <= 'z' ? c - 32 : c) != name.charAt(k)) {
          return false;
        }
      }
      return true;
    }

    private int add(int from, int to, int slot, int hash) {
      String name =
          new String(b, from, to - from, StandardCharsets.ISO_8859_1).toUpperCase(Locale.ROOT);
      // a hostile file may invent names without end; beyond what an index can hold they share one
      String kept = known.size() < 2000 ? name : "(FURTHER TYPES)";
      Integer type = known.get(kept);
      if (type == null) {
        type = types.size();
        types.add(kept);
        known.put(kept, type);
        if (type == typeCounts.length) {
          typeCounts = Arrays.copyOf(typeCounts, type * 2);
          typeBytes = Arrays.copyOf(typeBytes, type * 2);
        }
      }
      if (kept.equals(name)) {
        slots[slot] = type + 1;
        hashes[slot] = hash;
      }
      return type;
    }
  }
}
