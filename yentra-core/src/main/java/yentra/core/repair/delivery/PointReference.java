package yentra.core.repair.delivery;

import java.util.List;
import java.util.Optional;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.ReadNote;
import yentra.core.envelope.Rules;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Reshape;
import yentra.core.repair.Target;
import yentra.core.repair.use.GiveSchedule;

/**
 * Points a reference that leads nowhere at something else, or drops it.
 *
 * @param object key of what refers
 * @param attribute the reference's name in the file
 * @param from what it refers to, which does not exist
 * @param to key of what it refers to from now on, or null to drop it
 */
public record PointReference(String object, String attribute, String from, String to)
    implements Repair {
  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    Envelope out = pointed(e, rules);
    List<ReadNote> left =
        out.notes().stream()
            .filter(
                n ->
                    n.kind() != ReadNote.Kind.DANGLING_REFERENCE
                        || !n.object().equals(object)
                        || !n.subject().equals(attribute)
                        || !n.value().equals(from))
            .toList();
    if (left.size() == out.notes().size() && out == e) {
      throw new NotApplicableException("There is no longer such a reference.");
    }
    return out.withNotes(left);
  }

  private Envelope pointed(Envelope e, Rules rules) throws NotApplicableException {
    if (attribute == null) {
      throw new NotApplicableException("Say which reference is meant.");
    }
    switch (attribute) {
      case "constructionIdRef" -> {
        if (to != null && e.construction(to).isEmpty()) {
          throw new NotApplicableException("The construction " + to + " is not there.");
        }
        if (e.surface(object).isPresent()) {
          return e.replacing(object, s -> s.withConstruction(to));
        }
        Target.opening(e, object);
        return Reshape.replacedOpening(e, object, o -> o.withConstruction(to));
      }
      case "windowTypeIdRef" -> {
        if (to != null && e.glazings().stream().noneMatch(g -> g.key().equals(to))) {
          throw new NotApplicableException("The window type " + to + " is not there.");
        }
        Target.opening(e, object);
        return Reshape.replacedOpening(e, object, o -> o.withGlazing(to));
      }
      case "spaceIdRef" -> {
        if (to != null) {
          Target.space(e, to);
        }
        Target.surface(e, object);
        return e.replacing(
            object,
            s ->
                s.withSides(
                    s.sides().stream()
                        .map(
                            x ->
                                !x.space().equals(from)
                                    ? Optional.of(x)
                                    : Optional.ofNullable(to)
                                        .map(k -> yentra.core.envelope.Side.of(k, x.face())))
                        .flatMap(Optional::stream)
                        .toList()));
      }
      case "zoneIdRef", "buildingStoreyIdRef" -> {
        Target.space(e, object);
        boolean zone = attribute.equals("zoneIdRef");
        boolean known =
            zone
                ? e.zones().stream().anyMatch(z -> z.key().equals(to))
                : e.storeys().stream().anyMatch(s -> s.key().equals(to));
        if (to != null && !known) {
          throw new NotApplicableException("What it shall refer to is not there.");
        }
        return Reshape.replacedSpace(e, object, s -> zone ? s.withZone(to) : s.withStorey(to));
      }
      case "peopleScheduleIdRef", "lightScheduleIdRef", "equipmentScheduleIdRef" -> {
        return scheduled(e, rules, GiveSchedule.Purpose.valueOf(purpose(attribute)));
      }
      case "heatSchedIdRef" -> {
        return scheduled(e, rules, GiveSchedule.Purpose.HEATING);
      }
      case "coolSchedIdRef" -> {
        return scheduled(e, rules, GiveSchedule.Purpose.COOLING);
      }
      case "outsideAirSchedIdRef" -> {
        return scheduled(e, rules, GiveSchedule.Purpose.AIR);
      }
      case "weekScheduleIdRef" -> {
        onlyDropped();
        return e.withSchedules(e.schedules().withoutWeek(from));
      }
      case "dayScheduleIdRef" -> {
        onlyDropped();
        return e.withSchedules(e.schedules().withoutDay(from));
      }
      default -> {
        if (to != null || e.space(object).isEmpty()) {
          throw new NotApplicableException("This reference cannot be changed here.");
        }
        return Reshape.replacedSpace(
            e, object, s -> s.withExtras(s.extras().withoutAttribute(attribute)));
      }
    }
  }

  /** Which week or day is meant instead is said with the schedule as a whole. */
  private void onlyDropped() throws NotApplicableException {
    if (to != null) {
      throw new NotApplicableException("Change the schedule instead: it says its weeks and days.");
    }
  }

  private static String purpose(String attribute) {
    return attribute.replace("ScheduleIdRef", "").toUpperCase(java.util.Locale.ROOT);
  }

  private Envelope scheduled(Envelope e, Rules rules, GiveSchedule.Purpose purpose)
      throws NotApplicableException {
    return new GiveSchedule(purpose, List.of(object), to, null).apply(e, rules);
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new PointReference(keys.of(object), attribute, from, keys.of(to));
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    return (to == null ? "Drops the reference of " : "Points the reference of ")
        + naming.object(object)
        + " to "
        + from
        + (to == null ? ", which does not exist." : " at " + naming.object(to) + " instead.");
  }
}
