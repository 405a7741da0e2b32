package yentra.core.check.rule;

import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Member;
import yentra.core.envelope.OpeningType;
import yentra.core.envelope.ReadNote;
import yentra.core.envelope.Space;
import yentra.core.envelope.SurfaceType;
import yentra.core.envelope.Zone;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Finding;
import yentra.core.finding.FindingBuilder;

/** Turns what the reader noted into findings, as long as a repair has not made it void. */
public final class FileNotes {
  private FileNotes() {}

  public static Finding finding(CheckContext context, Descriptor check, ReadNote n) {
    String named = n.object().isEmpty() ? "" : context.naming().object(n.object());
    java.util.List<String> objects = new java.util.ArrayList<>(n.names());
    if (!n.object().isEmpty()) {
      objects.add(0, n.object());
    }
    FindingBuilder b = context.finding(check, objects.toArray(String[]::new));
    if (n.kind() == ReadNote.Kind.DUPLICATE_ID) {
      b.measured(n.count(), 1.0, "count");
    }
    if (n.kind() == ReadNote.Kind.SPACE_BOUNDARY && n.figure() != null) {
      b.measured(n.figure(), context.tolerance().gap(), "m");
    }
    String message =
        n.kind() == ReadNote.Kind.DANGLING_REFERENCE
            ? (upper(named) + " " + n.message()).strip() + "."
            : n.message()
                + (named.isEmpty() || n.message().contains(named) ? "" : " (" + named + ")");
    return b.subject(subject(n)).at(n.line(), n.column()).says(message);
  }

  /** What the finding of a note is about, in its id. */
  public static String subject(ReadNote n) {
    return n.subject() + (n.value().isEmpty() ? "" : "=" + n.value());
  }

  /** Whether a finding is that of a note. */
  public static boolean isOf(ReadNote n, Finding f) {
    boolean first =
        n.object().isEmpty() || !f.objects().isEmpty() && f.objects().get(0).equals(n.object());
    return first && f.subject().equals(subject(n));
  }

  private static String upper(String s) {
    return s.isEmpty() ? s : Character.toUpperCase(s.charAt(0)) + s.substring(1);
  }

  /** Whether the note still says something true of the envelope as it is now. */
  public static boolean holds(Envelope e, ReadNote n) {
    if (n.member() == null) {
      return true;
    }
    String key = n.object();
    return switch (n.member()) {
      case SURFACE_TYPE ->
          e.surface(key).filter(s -> s.type() == SurfaceType.UNRESOLVED).isPresent();
      case OPENING_TYPE ->
          e.opening(key).filter(o -> o.type() == OpeningType.UNRESOLVED).isPresent();
      case CONSTRUCTION ->
          e.surface(key).isPresent()
              ? refers(n, e.surface(key).get().construction())
              : e.opening(key).filter(o -> refers(n, o.construction())).isPresent();
      case GLAZING -> e.opening(key).filter(o -> refers(n, o.glazing())).isPresent();
      case SPACE ->
          n.kind() != ReadNote.Kind.DANGLING_REFERENCE
              || e.surface(key).filter(s -> s.isAdjacentTo(n.value())).isPresent();
      case ZONE -> e.space(key).map(s -> refers(n, s.zone())).orElse(true);
      case STOREY -> e.space(key).map(s -> refers(n, s.storey())).orElse(true);
      case PEOPLE_SCHEDULE, LIGHTING_SCHEDULE, EQUIPMENT_SCHEDULE ->
          e.space(key).map(s -> refers(n, schedule(s, n.member()))).orElse(true);
      case HEATING_SCHEDULE, COOLING_SCHEDULE, AIR_SCHEDULE ->
          e.zone(key).map(z -> refers(n, schedule(z, n.member()))).orElse(false);
      case WEEK ->
          e.schedules().years().stream()
              .anyMatch(y -> y.periods().stream().anyMatch(p -> refers(n, p.week())));
      case DAY ->
          e.schedules().weeks().stream()
              .anyMatch(w -> w.days().stream().anyMatch(d -> refers(n, d.schedule())));
      // what could not be read stays so until its note goes
      case THICKNESS,
          CONDUCTIVITY,
          DENSITY,
          SPECIFIC_HEAT,
          RESISTANCE,
          U_VALUE,
          FLOOR_AREA,
          VOLUME,
          OTHER ->
          true;
    };
  }

  private static String schedule(Space s, Member which) {
    return switch (which) {
      case PEOPLE_SCHEDULE -> s.gains().schedules().people();
      case LIGHTING_SCHEDULE -> s.gains().schedules().lighting();
      default -> s.gains().schedules().equipment();
    };
  }

  private static String schedule(Zone z, Member which) {
    return switch (which) {
      case HEATING_SCHEDULE -> z.schedules().heating();
      case COOLING_SCHEDULE -> z.schedules().cooling();
      default -> z.schedules().air();
    };
  }

  private static boolean refers(ReadNote n, String reference) {
    return n.value().equals(reference);
  }
}
