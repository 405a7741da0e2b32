package yentra.core.variant.change;

import java.util.List;
import yentra.core.estimate.setting.EstimateSettings;
import yentra.core.plan.PlanDocument;
import yentra.core.repair.Repair;

/**
 * What a change comes to on a state; what is null or empty stays.
 *
 * @param repairs of the envelope, in order
 * @param settings of the estimate
 * @param climate another weather
 * @param plan what is drawn instead
 * @param notes what is not as it was asked for, in sentences
 */
public record Effect(
    List<Repair> repairs,
    EstimateSettings settings,
    String climate,
    PlanDocument plan,
    List<String> notes) {
  /** Of a change that finds everything as it wants it. */
  public static final Effect NONE = new Effect(List.of(), null, null, null, List.of());

  public Effect {
    repairs = List.copyOf(repairs);
    notes = List.copyOf(notes);
  }

  static Effect of(List<Repair> repairs, String... notes) {
    return new Effect(repairs, null, null, null, List.of(notes));
  }

  static Effect of(EstimateSettings settings) {
    return new Effect(List.of(), settings, null, null, List.of());
  }

  static Effect of(PlanDocument plan) {
    return new Effect(List.of(), null, null, plan, List.of());
  }

  static Effect in(String climate) {
    return new Effect(List.of(), null, climate, null, List.of());
  }
}
