package yentra.core.step;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Consumer;
import yentra.core.envelope.UnreadableException;

/**
 * A Part 21 exchange structure (ISO 10303-21): the bytes, and an index of where each instance
 * stands. Instances are parsed when they are asked for, so that the large part of a file that
 * nobody needs costs only its index entry (16 bytes an instance).
 */
public final class StepFile {
  private final byte[] bytes;
  private final List<StepInstance> header;
  private final Map<Integer, Integer> positions = new HashMap<>();
  private final Map<String, int[]> byType;
  private final Map<String, long[]> sizes;
  private final List<Problem> problems;
  private final List<Integer> duplicates;

  /** Something wrong in the file that does not keep the rest from being read. */
  public record Problem(String message, int instance, int line, int column) {}

  private StepFile(byte[] bytes, Scan scan) {
    this.bytes = bytes;
    this.header = scan.header;
    this.problems = scan.problems;
    this.duplicates = scan.duplicates;
    this.positions.putAll(scan.positions);
    this.sizes = scan.sizes;
    this.byType = new TreeMap<>();
    scan.byType.forEach((k, v) -> byType.put(k, v.toArray()));
  }

  /**
   * Scans the file once.
   *
   * @throws UnreadableException when it is no exchange structure, is cut off, or a string in it
   *     never ends
   */
  public static StepFile of(byte[] bytes) throws UnreadableException {
    Scan scan = new Scan(bytes);
    scan.run();
    return new StepFile(bytes, scan);
  }

  /** The instances of the header section: FILE_DESCRIPTION, FILE_NAME, FILE_SCHEMA. */
  public List<StepInstance> header() {
    return header;
  }

  public List<Problem> problems() {
    return problems;
  }

  /** Instance numbers that are used more than once; the first use counts. */
  public List<Integer> duplicates() {
    return duplicates;
  }

  public int size() {
    return positions.size();
  }

  /** The numbers of all instances of the types named, in the order of the file. */
  public int[] ofType(String... types) {
    if (types.length == 1) {
      return byType.getOrDefault(types[0], new int[0]);
    }
    return Arrays.stream(types)
        .flatMapToInt(t -> Arrays.stream(byType.getOrDefault(t, new int[0])))
        .boxed()
        .sorted((a, b) -> Integer.compare(positions.get(a), positions.get(b)))
        .mapToInt(Integer::intValue)
        .toArray();
  }

  /** Type name to number of instances and bytes. */
  public Map<String, long[]> sizes() {
    return sizes;
  }

  public boolean has(int id) {
    return positions.containsKey(id);
  }

  /**
   * Parses an instance.
   *
   * @return the instance, or null when there is none with this number or it is malformed (which is
   *     then among the {@link #problems()})
   */
  public StepInstance get(int id) {
    Integer at = positions.get(id);
    if (at == null) {
      return null;
    }
    try {
      return new StepParser(bytes, at).instance(id);
    } catch (StepParser.SyntaxException e) {
      int[] place = place(bytes, e.offset);
      Problem p =
          new Problem(
              "Instance #" + id + " is malformed: " + e.getMessage() + ".", id, place[0], place[1]);
      if (!problems.contains(p)) {
        problems.add(p);
      }
      return null;
    }
  }

  /** Line and column of an instance, counted from 1; {0, 0} when there is none. */
  public int[] place(int id) {
    Integer at = positions.get(id);
    return at == null ? new int[] {0, 0} : place(bytes, at);
  }

  public void each(String type, Consumer<StepInstance> visit) {
    for (int id : ofType(type)) {
      StepInstance i = get(id);
      if (i != null) {
        visit.accept(i);
      }
    }
  }

  static int[] place(byte[] b, int offset) {
    int line = 1;
    int start = 0;
    for (int i = 0; i < offset && i < b.length; i++) {
      if (b[i] == '\n') {
        line++;
        start = i + 1;
      }
    }
    return new int[] {line, offset - start + 1};
  }

  /** The single pass that finds where instances begin. */
  private static final class Scan {
    private final byte[] b;
    private int i;
    final List<StepInstance> header = new ArrayList<>();
    final List<Problem> problems = new ArrayList<>();
    final List<Integer> duplicates = new ArrayList<>();
    final Map<Integer, Integer> positions = new HashMap<>();
    final Map<String, Ints> byType = new HashMap<>();
    final Map<String, long[]> sizes = new LinkedHashMap<>();

    Scan(byte[] bytes) {
      b = bytes;
    }

    void run() throws UnreadableException {
      if (b.length >= 3 && (b[0] & 0xFF) == 0xEF) {
        i = 3;
      }
      skip();
      if (!word().equals("ISO-10303-21")) {
        throw at(i, "The file does not begin with ISO-10303-21;, as IFC files do.");
      }
      statementEnd();
      boolean data = false;
      boolean ended = false;
      while (true) {
        skip();
        if (i >= b.length) {
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
        if (b[i] == '#') {
          instance();
          continue;
        }
        int start = i;
        String word = word();
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
        statementEnd();
      }
    }

    private void headerInstance(int start, String word) {
      try {
        header.add(new StepParser(b, start + word.length()).parametersOf(0, word));
      } catch (StepParser.SyntaxException e) {
        int[] p = place(b, e.offset);
        problems.add(
            new Problem(
                "The header's " + word + " is malformed: " + e.getMessage() + ".", 0, p[0], p[1]));
      }
    }

    private void instance() throws UnreadableException {
      int start = i++;
      long id = 0;
      while (i < b.length && b[i] >= '0' && b[i] <= '9') {
        id = Math.min(id * 10 + b[i++] - '0', Integer.MAX_VALUE);
      }
      skip();
      if (i < b.length && b[i] == '=') {
        i++;
        skip();
        int nameAt = i;
        String type = word().toUpperCase(java.util.Locale.ROOT);
        statementEnd();
        if (type.isEmpty() || id == 0) {
          int[] p = place(b, nameAt);
          problems.add(
              new Problem("Instance #" + id + " has no entity name.", (int) id, p[0], p[1]));
          return;
        }
        if (positions.putIfAbsent((int) id, nameAt) != null) {
          duplicates.add((int) id);
          return;
        }
        byType.computeIfAbsent(type, k -> new Ints()).add((int) id);
        long[] size = sizes.computeIfAbsent(type, k -> new long[2]);
        size[0]++;
        size[1] += i - start;
      } else {
        int[] p = place(b, start);
        problems.add(
            new Problem("Instance #" + id + " is not followed by '='.", (int) id, p[0], p[1]));
        statementEnd();
      }
    }

    private String word() {
      int start = i;
      while (i < b.length
          && (Character.isLetterOrDigit(b[i] & 0x7F) && b[i] > 0 || b[i] == '_' || b[i] == '-')) {
        i++;
      }
      return new String(b, start, i - start, java.nio.charset.StandardCharsets.ISO_8859_1);
    }

    /** Goes past the next semicolon outside strings and comments. */
    private void statementEnd() throws UnreadableException {
      while (i < b.length) {
        switch (b[i]) {
          case ';' -> {
            i++;
            return;
          }
          case '\'' -> string();
          case '/' -> {
            if (i + 1 < b.length && b[i + 1] == '*') {
              comment();
            } else {
              i++;
            }
          }
          default -> i++;
        }
      }
      throw at(
          b.length,
          "The file ends in the middle of an instance: it was cut off. Transfer or export it again.");
    }

    private void string() throws UnreadableException {
      int start = i++;
      while (i < b.length) {
        if (b[i++] == '\'') {
          if (i < b.length && b[i] == '\'') {
            i++;
          } else {
            return;
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

    private void skip() throws UnreadableException {
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

    private UnreadableException at(int offset, String message) {
      int[] p = place(b, offset);
      return new UnreadableException(message, p[0], p[1]);
    }

    private static String printable(byte c) {
      return c >= ' ' ? String.valueOf((char) c) : String.format("\\x%02x", c);
    }
  }

  /** A growing array of ints. */
  private static final class Ints {
    private int[] a = new int[8];
    private int n;

    void add(int v) {
      if (n == a.length) {
        a = Arrays.copyOf(a, n * 2);
      }
      a[n++] = v;
    }

    int[] toArray() {
      return Arrays.copyOf(a, n);
    }
  }
}
