package yentra.core.ifc;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Deque;
import java.util.List;
import yentra.core.step.StepFile;

/** Which instances stay: those that were asked for, and all that they refer to. */
final class KeptInstances {
  private final StepFile file;
  private final TrimmedText text;
  private final BitSet kept;

  KeptInstances(StepFile file, TrimmedText text) {
    this.file = file;
    this.text = text;
    this.kept = new BitSet(file.size());
  }

  boolean has(int id) {
    int at = file.ordinal(id);
    return at >= 0 && kept.get(at);
  }

  /** Keeps an instance and all that it refers to. */
  void follow(int id) {
    Deque<Integer> open = new ArrayDeque<>();
    keep(id, open);
    while (!open.isEmpty()) {
      int at = open.pop();
      String other = text.of(at);
      if (other == null) {
        file.references(at, to -> keep(to, open));
      } else {
        references(other).forEach(to -> keep(to, open));
      }
    }
  }

  private void keep(int id, Deque<Integer> open) {
    int at = file.ordinal(id);
    if (at >= 0 && !kept.get(at)) {
      kept.set(at);
      open.push(id);
    }
  }

  /** Keeps what the new instances refer to. */
  void followAdded() {
    text.added().forEach(t -> references(t).forEach(this::follow));
  }

  /** The references of an instance written here, without those in strings. */
  private static List<Integer> references(String text) {
    List<Integer> out = new ArrayList<>();
    boolean quoted = false;
    for (int i = text.indexOf('='); i < text.length(); i++) {
      char c = text.charAt(i);
      if (c == '\'') {
        quoted = !quoted;
      } else if (c == '#' && !quoted) {
        int end = i + 1;
        while (end < text.length() && Character.isDigit(text.charAt(end))) {
          end++;
        }
        if (end > i + 1 && end - i < 11) {
          out.add((int) Long.parseLong(text.substring(i + 1, end)));
        }
        i = end - 1;
      }
    }
    return out;
  }

  /**
   * Writes the data section's instances, in the original's order, then the new ones.
   *
   * @return bytes and instances
   */
  long[] write(OutputStream out) throws IOException {
    long bytes = 0;
    long instances = 0;
    for (int at = kept.nextSetBit(0); at >= 0; at = kept.nextSetBit(at + 1)) {
      int id = file.idAt(at);
      String other = text.of(id);
      if (other == null) {
        StepFile.Slice s = file.slice(id);
        out.write(s.bytes(), s.from(), s.length());
        bytes += s.length();
      } else {
        bytes += line(out, other);
      }
      out.write('\n');
      bytes++;
      instances++;
    }
    for (String t : text.added()) {
      bytes += line(out, t + "\n");
      instances++;
    }
    return new long[] {bytes, instances};
  }

  static int line(OutputStream out, String text) throws IOException {
    byte[] b = text.getBytes(StandardCharsets.ISO_8859_1);
    out.write(b);
    return b.length;
  }
}
