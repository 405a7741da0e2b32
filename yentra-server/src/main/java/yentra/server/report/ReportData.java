package yentra.server.report;

import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import yentra.core.exchange.BalanceLine;
import yentra.server.db.tables.records.DeliveryRecord;
import yentra.server.db.tables.records.RepairEntryRecord;
import yentra.server.decisions.Decisions;
import yentra.server.deliveries.DeliveryStates;
import yentra.server.deliveries.LogViews;
import yentra.server.estimate.ClimateViews;
import yentra.server.estimate.EstimateViews;
import yentra.server.thermal.ThermalViews;

/**
 * What chapters are written from: the newest state of a delivery. What takes long is worked out
 * when a chapter first asks for it.
 */
final class ReportData {
  /** What may be asked for. */
  record Sources(
      Supplier<Optional<ClimateViews.ClimateView>> climate,
      Supplier<List<BalanceLine>> balance,
      Supplier<ThermalViews.ThermalView> thermal,
      Supplier<EstimateViews.JunctionsView> junctions,
      Supplier<Optional<EstimateViews.EstimateView>> estimate,
      Supplier<String> estimateMissing) {}

  private final DeliveryRecord delivery;
  private final DeliveryStates.State state;
  private final List<DeliveryRecord> deliveries;
  private final List<RepairEntryRecord> log;
  private final LogViews.ReportView read;
  private final Decisions.Known known;
  private final Sources sources;
  private Optional<EstimateViews.EstimateView> estimate;
  private ThermalViews.ThermalView thermal;

  ReportData(
      DeliveryRecord delivery,
      DeliveryStates.State state,
      List<DeliveryRecord> deliveries,
      List<RepairEntryRecord> log,
      LogViews.ReportView read,
      Decisions.Known known,
      Sources sources) {
    this.delivery = delivery;
    this.state = state;
    this.deliveries = deliveries;
    this.log = log;
    this.read = read;
    this.known = known;
    this.sources = sources;
  }

  DeliveryRecord delivery() {
    return delivery;
  }

  DeliveryStates.State state() {
    return state;
  }

  /** All of the project, in the order in which they came. */
  List<DeliveryRecord> deliveries() {
    return deliveries;
  }

  /** Entries in force. */
  List<RepairEntryRecord> log() {
    return log;
  }

  LogViews.ReportView read() {
    return read;
  }

  Decisions.Known known() {
    return known;
  }

  Optional<ClimateViews.ClimateView> climate() {
    return sources.climate.get();
  }

  List<BalanceLine> balance() {
    return sources.balance.get();
  }

  ThermalViews.ThermalView thermal() {
    thermal = thermal == null ? sources.thermal.get() : thermal;
    return thermal;
  }

  EstimateViews.JunctionsView junctions() {
    return sources.junctions.get();
  }

  /** The newest run on the state as it is. */
  Optional<EstimateViews.EstimateView> estimate() {
    estimate = estimate == null ? sources.estimate.get() : estimate;
    return estimate;
  }

  /** Why there is none. */
  String estimateMissing() {
    return sources.estimateMissing.get();
  }
}
