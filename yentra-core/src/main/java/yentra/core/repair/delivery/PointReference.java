package yentra.core.repair.delivery;

import java.util.List;
import java.util.Optional;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Member;
import yentra.core.envelope.Naming;
import yentra.core.envelope.ReadNote;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Side;
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
 * @param member what of the object refers to it
 * @param attribute its name in the file, of {@link Member#OTHER} only; else null
 * @param from what it refers to, which does not exist
 * @param to key of what it refers to from now on, or null to drop it
 */
public record PointReference(String object, Member member, String attribute, String from, String to)
    implements Repair {
  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    if (member == null) {
      throw new NotApplicableException("Say which reference is meant.");
    }
    Envelope out = pointed(e, rules);
    List<ReadNote> left = out.notes().stream().filter(n -> !isAnswered(n)).toList();
    if (left.size() == out.notes().size() && out == e) {
      throw new NotApplicableException("There is no longer such a reference.");
    }
    return out.withNotes(left);
  }

  private boolean isAnswered(ReadNote n) {
    return n.kind() == ReadNote.Kind.DANGLING_REFERENCE
        && n.object().equals(object)
        && n.member() == member
        && (member != Member.OTHER || n.subject().equals(attribute))
        && n.value().equals(from);
  }

  private Envelope pointed(Envelope e, Rules rules) throws NotApplicableException {
    return switch (member) {
      case CONSTRUCTION -> ofConstruction(e);
      case GLAZING -> ofGlazing(e);
      case SPACE -> ofSpace(e);
      case ZONE -> ofZone(e);
      case STOREY -> ofStorey(e);
      case PEOPLE_SCHEDULE -> scheduled(e, rules, GiveSchedule.Purpose.PEOPLE);
      case LIGHTING_SCHEDULE -> scheduled(e, rules, GiveSchedule.Purpose.LIGHT);
      case EQUIPMENT_SCHEDULE -> scheduled(e, rules, GiveSchedule.Purpose.EQUIPMENT);
      case HEATING_SCHEDULE -> scheduled(e, rules, GiveSchedule.Purpose.HEATING);
      case COOLING_SCHEDULE -> scheduled(e, rules, GiveSchedule.Purpose.COOLING);
      case AIR_SCHEDULE -> scheduled(e, rules, GiveSchedule.Purpose.AIR);
      case WEEK -> {
        onlyDropped();
        yield e.withSchedules(e.schedules().withoutWeek(from));
      }
      case DAY -> {
        onlyDropped();
        yield e.withSchedules(e.schedules().withoutDay(from));
      }
      case SURFACE_TYPE,
          OPENING_TYPE,
          THICKNESS,
          CONDUCTIVITY,
          DENSITY,
          SPECIFIC_HEAT,
          RESISTANCE,
          U_VALUE,
          FLOOR_AREA,
          VOLUME ->
          throw new NotApplicableException(
              "A type or a number refers to nothing; give another one.");
      case OTHER -> {
        if (to != null || attribute == null || e.space(object).isEmpty()) {
          throw new NotApplicableException("This reference cannot be changed here.");
        }
        yield Reshape.replacedSpace(
            e, object, s -> s.withExtras(s.extras().withoutAttribute(attribute)));
      }
    };
  }

  private Envelope ofConstruction(Envelope e) throws NotApplicableException {
    if (to != null && e.construction(to).isEmpty()) {
      throw new NotApplicableException("The construction " + to + " is not there.");
    }
    if (e.surface(object).isPresent()) {
      return e.replacing(object, s -> s.withConstruction(to));
    }
    Target.opening(e, object);
    return Reshape.replacedOpening(e, object, o -> o.withConstruction(to));
  }

  private Envelope ofGlazing(Envelope e) throws NotApplicableException {
    if (to != null && e.glazing(to).isEmpty()) {
      throw new NotApplicableException("The window type " + to + " is not there.");
    }
    Target.opening(e, object);
    return Reshape.replacedOpening(e, object, o -> o.withGlazing(to));
  }

  private Envelope ofSpace(Envelope e) throws NotApplicableException {
    if (to != null) {
      Target.space(e, to);
    }
    Target.surface(e, object);
    return e.replacing(
        object,
        s -> s.withSides(s.sides().stream().map(this::side).flatMap(Optional::stream).toList()));
  }

  private Optional<Side> side(Side x) {
    return !x.space().equals(from)
        ? Optional.of(x)
        : Optional.ofNullable(to).map(k -> Side.of(k, x.face()));
  }

  private Envelope ofZone(Envelope e) throws NotApplicableException {
    Target.space(e, object);
    there(to == null || e.zones().stream().anyMatch(z -> z.key().equals(to)));
    return Reshape.replacedSpace(e, object, s -> s.withZone(to));
  }

  private Envelope ofStorey(Envelope e) throws NotApplicableException {
    Target.space(e, object);
    there(to == null || e.storeys().stream().anyMatch(s -> s.key().equals(to)));
    return Reshape.replacedSpace(e, object, s -> s.withStorey(to));
  }

  private static void there(boolean known) throws NotApplicableException {
    if (!known) {
      throw new NotApplicableException("What it shall refer to is not there.");
    }
  }

  /** Which week or day is meant instead is said with the schedule as a whole. */
  private void onlyDropped() throws NotApplicableException {
    if (to != null) {
      throw new NotApplicableException("Change the schedule instead: it says its weeks and days.");
    }
  }

  private Envelope scheduled(Envelope e, Rules rules, GiveSchedule.Purpose purpose)
      throws NotApplicableException {
    return new GiveSchedule(purpose, List.of(object), to, null).apply(e, rules);
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new PointReference(keys.of(object), member, attribute, from, keys.of(to));
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
