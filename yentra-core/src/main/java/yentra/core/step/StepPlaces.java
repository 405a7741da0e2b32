package yentra.core.step;

import yentra.core.envelope.UnreadableException;

/** Lines and columns of the places in a file. */
final class StepPlaces {
  /** Line starts are counted once for every block of this many bytes. */
  private static final int BLOCK = 1 << 10;

  private final byte[] b;
  private int[] linesBefore;

  StepPlaces(byte[] bytes) {
    b = bytes;
  }

  /** Line and column of a byte, counted from 1. */
  int[] of(int offset) {
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

  /** What cannot be read at a place. */
  UnreadableException unreadable(int offset, String message) {
    int[] p = of(offset);
    return new UnreadableException(message, p[0], p[1]);
  }
}
