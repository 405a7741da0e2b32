package yentra.core.ifc;

import java.util.LinkedHashSet;
import java.util.Set;

/** What one body's reading simplified: the largest chord error, and what was left out, in words. */
final class Facetting {
  /** Largest distance of a chord from its arc that is aimed at, in metres. */
  static final double CHORD_ERROR = 0.005;

  private static final int MOST_PIECES = 360;
  private double chordError;
  private final Set<String> simplified = new LinkedHashSet<>();

  /** Number of chords for an arc; notes how far they are from it. */
  int pieces(double radius, double sweep) {
    double ratio = Math.max(-1, 1 - CHORD_ERROR / Math.max(radius, CHORD_ERROR));
    double byTurn = Math.ceil(Math.abs(sweep) / (Math.PI / 6) - 1e-9);
    double byChord = Math.ceil(Math.abs(sweep) / (2 * Math.acos(ratio)) - 1e-9);
    int n = (int) Math.max(1, Math.min(MOST_PIECES, Math.max(byTurn, byChord)));
    note(radius * (1 - Math.cos(Math.abs(sweep) / (2 * n))));
    return n;
  }

  void note(double distance) {
    chordError = Math.max(chordError, distance);
  }

  void simplified(String what) {
    simplified.add(what);
  }

  double chordError() {
    return chordError;
  }

  Set<String> simplified() {
    return simplified;
  }
}
