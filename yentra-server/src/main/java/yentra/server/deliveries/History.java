package yentra.server.deliveries;

import java.time.Instant;
import java.util.List;
import yentra.server.db.tables.records.DeliveryRecord;
import yentra.server.db.tables.records.RepairEntryRecord;
import yentra.server.db.tables.records.SettingsChangeRecord;

/**
 * What was done to a delivery and to its project's settings since it came, as one history: what was
 * done last is undone first, whichever it is.
 */
public final class History {
  private final DeliveryRecord delivery;
  private final List<RepairEntryRecord> log;
  private final List<SettingsChangeRecord> changes;

  /**
   * @param log entries of the delivery that were not discarded
   * @param changes of the project's settings that were not discarded, as they were made
   */
  public History(
      DeliveryRecord delivery, List<RepairEntryRecord> log, List<SettingsChangeRecord> changes) {
    this.delivery = delivery;
    this.log = log;
    this.changes =
        changes.stream().filter(c -> c.getMadeAt().isAfter(delivery.getReceivedAt())).toList();
  }

  /**
   * One thing that was done.
   *
   * @param settings whether it is a change of the project's settings
   */
  public record Step(boolean settings, String summary) {}

  /** What would be undone; null when there is nothing. */
  public Step last() {
    int at = delivery.getLogPosition();
    RepairEntryRecord entry = at > 0 ? log.get(at - 1) : null;
    SettingsChangeRecord change = null;
    for (SettingsChangeRecord c : changes) {
      change = c.getUndoneAt() == null ? c : change;
    }
    return later(
        entry,
        entry == null ? null : entry.getMadeAt(),
        change,
        change == null ? null : change.getMadeAt());
  }

  /** What would be made again: what was undone last; null when there is nothing. */
  public Step undone() {
    int at = delivery.getLogPosition();
    RepairEntryRecord entry = at < log.size() ? log.get(at) : null;
    SettingsChangeRecord change =
        changes.stream().filter(c -> c.getUndoneAt() != null).findFirst().orElse(null);
    return later(
        entry,
        entry == null ? null : entry.getUndoneAt(),
        change,
        change == null ? null : change.getUndoneAt());
  }

  private static Step later(
      RepairEntryRecord entry, Instant entryAt, SettingsChangeRecord change, Instant changeAt) {
    if (entry == null && change == null) {
      return null;
    }
    boolean settings =
        entry == null || change != null && (entryAt == null || changeAt.isAfter(entryAt));
    return new Step(settings, settings ? change.getSummary() : entry.getSummary());
  }

  /** The changes of settings, for the page. */
  public List<LogViews.SettingsEntry> settings() {
    return changes.stream()
        .map(
            c ->
                new LogViews.SettingsEntry(
                    c.getSummary(),
                    c.getMadeBy(),
                    c.getMadeAt(),
                    c.getUndoneAt() == null,
                    c.getUndoneBy()))
        .toList();
  }
}
