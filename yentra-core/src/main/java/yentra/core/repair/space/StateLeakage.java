package yentra.core.repair.space;

import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Space;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Target;

/**
 * States how much outdoor air comes into spaces through leaks.
 *
 * @param spaces keys
 * @param changes of a space's air, 1/h
 */
public record StateLeakage(List<String> spaces, double changes) implements Repair {
  private static final double MOST = 50;

  public StateLeakage {
    spaces = spaces == null ? List.of() : List.copyOf(spaces);
  }

  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    if (spaces.isEmpty() || !(changes >= 0 && changes <= MOST)) {
      throw new NotApplicableException(
          "Choose spaces, and air through leaks from 0 to 50 times an hour.");
    }
    Set<String> of = new HashSet<>(spaces);
    for (String key : spaces) {
      Target.space(e, key);
    }
    Space.AirExchange air = new Space.AirExchange(null, changes);
    List<Space> made =
        e.spaces().stream()
            .map(s -> of.contains(s.key()) && !s.air().equals(air) ? s.withAir(air) : s)
            .toList();
    if (made.equals(e.spaces())) {
      throw new NotApplicableException("They state this already.");
    }
    return e.withSpaces(made);
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new StateLeakage(keys.of(spaces), changes);
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    return String.format(
        Locale.ROOT,
        "States air through leaks of %s as %.2f times an hour.",
        spaces.size() == 1 ? naming.object(spaces.get(0)) : spaces.size() + " spaces",
        changes);
  }
}
