package yentra.core.step;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentSkipListMap;
import java.util.function.Consumer;
import java.util.stream.IntStream;
import yentra.core.envelope.UnreadableException;

/**
 * A Part 21 exchange structure (ISO 10303-21): the bytes, and an index of where each instance
 * stands. Instances are parsed when they are asked for, so that the large part of a file that
 * nobody needs costs only its index entry. May be read by several threads.
 *
 * <p>Memory: the bytes themselves, and at most 18 bytes of index an instance.
 */
public final class StepFile {
  private final byte[] bytes;
  private final StepIndex index;
  private final Map<Integer, Problem> malformed = new ConcurrentSkipListMap<>();

  /** Something wrong in the file that does not keep the rest from being read. */
  public record Problem(String message, int instance, int line, int column) {}

  /** A reference to an instance that the file does not define. */
  public record Dangling(int from, int to, int line, int column) {}

  private StepFile(byte[] bytes, StepIndex index) {
    this.bytes = bytes;
    this.index = index;
  }

  /**
   * Scans the file once. The bytes are kept, not copied; they must not be changed.
   *
   * @throws UnreadableException when it is no exchange structure, is cut off, or a string in it
   *     never ends
   */
  public static StepFile of(byte[] bytes) throws UnreadableException {
    return new StepFile(bytes, StepIndex.of(bytes));
  }

  /** The instances of the header section: FILE_DESCRIPTION, FILE_NAME, FILE_SCHEMA. */
  public List<StepInstance> header() {
    return index.header;
  }

  /** What is malformed, as far as it has been looked at. */
  public List<Problem> problems() {
    List<Problem> all = new ArrayList<>(index.problems);
    all.addAll(malformed.values());
    return all;
  }

  /** Instance numbers that are used more than once; the first use counts. */
  public List<Integer> duplicates() {
    return index.duplicates;
  }

  public int size() {
    return index.count;
  }

  /** The length of the file in bytes. */
  public int length() {
    return bytes.length;
  }

  /** The numbers of all instances of the types named, in the order of the file. */
  public int[] ofType(String... types) {
    return index.ofType(types);
  }

  /** The numbers of all instances, in the order of the file. */
  public IntStream all() {
    return IntStream.range(0, index.count).map(i -> index.ids[i]);
  }

  /** The type names that occur, in the order of their first instance. */
  public Collection<String> types() {
    return index.types();
  }

  /** Type name to number of instances and bytes. */
  public Map<String, long[]> sizes() {
    Map<String, long[]> out = new LinkedHashMap<>();
    for (int t = 0; t < index.types().size(); t++) {
      out.put(index.types().get(t), new long[] {index.counts(t), index.bytes(t)});
    }
    return out;
  }

  public boolean has(int id) {
    return index.ordinal(id) >= 0;
  }

  /** The type of an instance in upper case, or an empty string when there is none. */
  public String type(int id) {
    int at = index.ordinal(id);
    return at < 0 ? "" : index.types().get(index.typeOf[at]);
  }

  /** Whether any instance refers to this one. */
  public boolean isReferenced(int id) {
    return index.referenced.get(id);
  }

  /**
   * All references to instances that do not exist, in the order of the file. When there are any,
   * the data is walked once more.
   */
  public List<Dangling> dangling() {
    return index.dangling(this);
  }

  /**
   * Parses an instance.
   *
   * @return the instance, or null when there is none with this number or it is malformed (which is
   *     then among the {@link #problems()})
   */
  public StepInstance get(int id) {
    int at = index.ordinal(id);
    if (at < 0) {
      return null;
    }
    try {
      return new StepParser(bytes, index.positions[at])
          .instance(id, index.types().get(index.typeOf[at]));
    } catch (StepParser.SyntaxException e) {
      malformed.computeIfAbsent(id, k -> malformedAt(k, e));
      return null;
    }
  }

  private Problem malformedAt(int id, StepParser.SyntaxException e) {
    int[] place = index.place(e.offset);
    return new Problem(
        "Instance #" + id + " is malformed: " + e.getMessage() + ".", id, place[0], place[1]);
  }

  /**
   * Walks the top-level parameters of an instance without building values.
   *
   * @return false when the instance is malformed (which is then among the {@link #problems()})
   */
  public boolean visit(int id, StepParameters visitor) {
    int at = index.ordinal(id);
    if (at < 0) {
      return false;
    }
    try {
      new StepParser(bytes, index.positions[at]).visit(visitor);
      return true;
    } catch (StepParser.SyntaxException e) {
      malformed.computeIfAbsent(id, k -> malformedAt(k, e));
      return false;
    }
  }

  /**
   * Reads the numbers of one flat list parameter, such as the coordinates of a point.
   *
   * @param into receives them
   * @return how many there are, or -1 when the parameter is no list of numbers or has more than fit
   */
  public int numbers(int id, int parameter, double[] into) {
    int at = index.ordinal(id);
    return at < 0 ? -1 : new StepParser(bytes, index.positions[at]).numbers(parameter, into);
  }

  /** The place of an instance in the file's order, counted from 0, or -1 when there is none. */
  public int ordinal(int id) {
    return index.ordinal(id);
  }

  /** The number of the instance at a place in the file's order. */
  public int idAt(int ordinal) {
    return index.ids[ordinal];
  }

  /** Passes on every number that an instance refers to, in order, repeats included. */
  public void references(int id, java.util.function.IntConsumer each) {
    int at = index.ordinal(id);
    if (at >= 0) {
      index.references(at, each);
    }
  }

  /** The text of an instance from its number to its semicolon; empty when there is none. */
  public Slice slice(int id) {
    int at = index.ordinal(id);
    return at < 0 ? new Slice(bytes, 0, 0) : new Slice(bytes, index.starts(at), index.end(at));
  }

  /** A piece of the file. */
  public record Slice(byte[] bytes, int from, int to) {
    public int length() {
      return to - from;
    }

    @Override
    public String toString() {
      return new String(bytes, from, to - from, java.nio.charset.StandardCharsets.ISO_8859_1);
    }
  }

  /** The file up to its first instance: header section and the word DATA. */
  public Slice head() {
    return new Slice(bytes, 0, index.dataStart);
  }

  /** Line and column of an instance, counted from 1; {0, 0} when there is none. */
  public int[] place(int id) {
    int at = index.ordinal(id);
    return at < 0 ? new int[] {0, 0} : index.place(index.positions[at]);
  }

  public void each(String type, Consumer<StepInstance> visit) {
    for (int id : ofType(type)) {
      StepInstance i = get(id);
      if (i != null) {
        visit.accept(i);
      }
    }
  }
}
