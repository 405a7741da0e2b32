package yentra.core.check.rule;

import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.ReadNote;
import yentra.core.envelope.Space;
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
    return b.subject(n.subject() + (n.value().isEmpty() ? "" : "=" + n.value()))
        .at(n.line(), n.column())
        .says(message);
  }

  private static String upper(String s) {
    return s.isEmpty() ? s : Character.toUpperCase(s.charAt(0)) + s.substring(1);
  }

  /** Whether the note still says something true of the envelope as it is now. */
  public static boolean holds(Envelope e, ReadNote n) {
    String key = n.object();
    boolean surface = e.surface(key).isPresent();
    boolean opening = e.opening(key).isPresent();
    return switch (n.subject()) {
      case "surfaceType" ->
          surface && e.surface(key).get().type() == yentra.core.envelope.SurfaceType.UNRESOLVED;
      case "openingType" ->
          opening && e.opening(key).get().type() == yentra.core.envelope.OpeningType.UNRESOLVED;
      case "constructionIdRef" ->
          refers(
              n,
              surface
                  ? e.surface(key).get().construction()
                  : opening ? e.opening(key).get().construction() : null);
      case "windowTypeIdRef" -> opening && refers(n, e.opening(key).get().glazing());
      case "spaceIdRef" ->
          n.kind() != ReadNote.Kind.DANGLING_REFERENCE
              || surface && e.surface(key).get().isAdjacentTo(n.value());
      case "zoneIdRef", "buildingStoreyIdRef" ->
          e.space(key)
              .map(s -> refers(n, n.subject().equals("zoneIdRef") ? s.zone() : s.storey()))
              .orElse(true);
      case "peopleScheduleIdRef", "lightScheduleIdRef", "equipmentScheduleIdRef" ->
          e.space(key).map(s -> refers(n, schedule(s, n.subject()))).orElse(true);
      case "heatSchedIdRef", "coolSchedIdRef", "outsideAirSchedIdRef" ->
          e.zones().stream()
              .filter(z -> z.key().equals(key))
              .anyMatch(z -> refers(n, schedule(z, n.subject())));
      case "weekScheduleIdRef" ->
          e.schedules().years().stream()
              .anyMatch(y -> y.periods().stream().anyMatch(p -> refers(n, p.week())));
      case "dayScheduleIdRef" ->
          e.schedules().weeks().stream()
              .anyMatch(w -> w.days().stream().anyMatch(d -> refers(n, d.schedule())));
      default -> true;
    };
  }

  private static String schedule(Space s, String attribute) {
    return switch (attribute) {
      case "peopleScheduleIdRef" -> s.gains().schedules().people();
      case "lightScheduleIdRef" -> s.gains().schedules().lighting();
      default -> s.gains().schedules().equipment();
    };
  }

  private static String schedule(Zone z, String attribute) {
    return switch (attribute) {
      case "heatSchedIdRef" -> z.schedules().heating();
      case "coolSchedIdRef" -> z.schedules().cooling();
      default -> z.schedules().air();
    };
  }

  private static boolean refers(ReadNote n, String reference) {
    return n.value().equals(reference);
  }
}
