package yentra.core.estimate.hourly;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** What was taken because a model does not say it, each with how many objects it concerns. */
final class Assumed {
  private final Map<String, Integer> counts = new LinkedHashMap<>();

  void add(String sentence) {
    counts.merge(sentence, 1, Integer::sum);
  }

  void addAll(List<String> sentences) {
    sentences.forEach(this::add);
  }

  /** Sentences; {@code %d} in one stands for the number of its objects. */
  List<String> sentences() {
    List<String> out = new ArrayList<>();
    counts.forEach((s, n) -> out.add(s.replace("%d", Integer.toString(n))));
    return out;
  }
}
