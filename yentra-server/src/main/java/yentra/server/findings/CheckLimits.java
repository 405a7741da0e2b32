package yentra.server.findings;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yentra.core.check.run.CheckCatalogue;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Finding;
import yentra.core.finding.Limit;
import yentra.server.deliveries.DeliveryStates;
import yentra.server.deliveries.DeliveryStore;
import yentra.server.projects.ProjectStore;
import yentra.server.web.Problem;

/** The limits of checks, as a project has set them, and what others would do. */
@Service
public class CheckLimits {
  private final DeliveryStore store;
  private final ProjectStore projects;
  private final DeliveryStates states;

  CheckLimits(DeliveryStore store, ProjectStore projects, DeliveryStates states) {
    this.store = store;
    this.projects = projects;
    this.states = states;
  }

  List<FindingViews.LimitView> of(UUID delivery) {
    Map<String, Double> set = projects.settings(store.get(delivery).getProjectId()).limits();
    List<FindingViews.LimitView> out = new ArrayList<>();
    for (Descriptor d : CheckCatalogue.descriptors()) {
      for (Limit l : d.limits()) {
        out.add(
            new FindingViews.LimitView(
                d.code(),
                d.finds(),
                l.name(),
                l.unit(),
                l.standard(),
                l.least(),
                l.most(),
                set.get(d.code() + "." + l.name())));
      }
    }
    return out;
  }

  /** How many findings of each code there are, and would be with these limits. */
  List<FindingViews.EffectView> effect(UUID delivery, Map<String, Double> limits) {
    DeliveryStates.State s = states.state(delivery);
    Map<String, Double> others = s.settings().withLimits(checked(limits)).limits();
    Map<String, Integer> now = counts(s.findings());
    Map<String, Integer> then = counts(states.with(s, others).findings());
    TreeSet<String> codes = new TreeSet<>(now.keySet());
    codes.addAll(then.keySet());
    return codes.stream()
        .map(c -> new FindingViews.EffectView(c, now.getOrDefault(c, 0), then.getOrDefault(c, 0)))
        .toList();
  }

  /**
   * Sets the limits of the delivery's project.
   *
   * @param basedOn version of the project's settings
   */
  @Transactional
  public void set(UUID delivery, long basedOn, Map<String, Double> limits, String by) {
    Map<String, Double> set = checked(limits);
    projects.settings(
        store.get(delivery).getProjectId(), basedOn, before -> before.withLimits(set), by);
  }

  private static Map<String, Integer> counts(List<Finding> findings) {
    Map<String, Integer> out = new HashMap<>();
    findings.forEach(f -> out.merge(f.code(), 1, Integer::sum));
    return out;
  }

  /** Those that differ from their default, within their range. */
  private static Map<String, Double> checked(Map<String, Double> asked) {
    Map<String, Limit> known = new HashMap<>();
    for (Descriptor d : CheckCatalogue.descriptors()) {
      d.limits().forEach(l -> known.put(d.code() + "." + l.name(), l));
    }
    Map<String, Double> out = new TreeMap<>();
    if (asked != null) {
      asked.forEach(
          (name, v) -> {
            Limit l = known.get(name);
            if (l == null) {
              throw Problem.bad("There is no limit " + name + ".");
            }
            if (v == null || !(v >= l.least() && v <= l.most())) {
              throw Problem.notApplicable(
                  "The limit "
                      + name
                      + " must lie between "
                      + l.least()
                      + " and "
                      + l.most()
                      + " "
                      + l.unit()
                      + ".");
            }
            if (v != l.standard()) {
              out.put(name, v);
            }
          });
    }
    return out;
  }
}
