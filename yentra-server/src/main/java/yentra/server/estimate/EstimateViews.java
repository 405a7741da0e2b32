package yentra.server.estimate;

import com.fasterxml.jackson.annotation.JsonInclude;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.UUID;

/** What is said of estimates. */
public final class EstimateViews {
  private EstimateViews() {}

  /**
   * @param name of the run; null for one of its own
   * @param assumeMissing whether what has no U-value takes the library's usual construction
   */
  public record RunRequest(@Schema(nullable = true) String name, boolean assumeMissing) {}

  /** A surface or opening without a U-value. */
  public record LackView(String key, String label) {}

  /**
   * A run.
   *
   * @param state waiting, running, done, failed, cancelled
   * @param progress 0 to 1
   * @param lacks what has no U-value, where that kept it from starting
   * @param stale whether the envelope has moved on since
   * @param perArea kWh/m², when it is done
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record EstimateRunView(
      UUID id,
      UUID deliveryId,
      String name,
      String state,
      double progress,
      String message,
      List<LackView> lacks,
      boolean stale,
      boolean assumeMissing,
      int steps,
      UUID weather,
      String weatherLabel,
      String askedBy,
      Instant askedAt,
      @Schema(nullable = true) Instant endedAt,
      @Schema(nullable = true) Double heating,
      @Schema(nullable = true) Double cooling,
      @Schema(nullable = true) Double perArea) {}

  /**
   * A term of the balance.
   *
   * @param flow name
   * @param label in words
   * @param months kWh into the building by month
   */
  public record FlowView(String flow, String label, List<Double> months) {}

  /** kWh of heating and cooling by another method. */
  public record OpinionView(String method, double heating, double cooling) {}

  /** What is bought, kWh, with its cost and carbon. */
  public record CarrierView(String label, double bought, double cost, double carbon) {}

  /**
   * A space.
   *
   * @param heating kWh
   * @param cooling kWh
   * @param peakHeating W of the year
   * @param peakCooling W of the year
   * @param warm hours above 26 °C
   * @param unmet hours in which limits keep it from its set-point
   * @param freeMin °C without heating and cooling
   * @param freeMax °C without heating and cooling
   * @param heatingLoad null where it is not heated
   * @param coolingLoad null where it is not cooled
   * @param flows kWh of the year by flow
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record SpaceEstimateView(
      String key,
      String label,
      String storey,
      String zone,
      double floorArea,
      boolean heated,
      boolean cooled,
      double heating,
      double cooling,
      double peakHeating,
      double peakCooling,
      int warm,
      int unmet,
      double freeMin,
      double freeMax,
      @Schema(nullable = true) HeatLoadView heatingLoad,
      @Schema(nullable = true) CoolLoadView coolingLoad,
      List<Double> flows) {}

  /**
   * Design heating, W.
   *
   * @param density W/m²
   * @param place LOW, USUAL, HIGH
   */
  public record HeatLoadView(
      double total,
      double indoor,
      double outdoorAir,
      double bridges,
      double ground,
      double unheated,
      double neighbours,
      double ventilation,
      double reheat,
      double density,
      String place,
      String driver) {}

  /**
   * Design cooling, W.
   *
   * @param hour of the day, 1 to 24
   * @param density W/m²
   * @param place LOW, USUAL, HIGH
   */
  public record CoolLoadView(
      double peak,
      int month,
      int hour,
      double sun,
      double internal,
      double conduction,
      double ventilation,
      double density,
      String place,
      String driver) {}

  /**
   * What a run has come to.
   *
   * @param outdoor °C that heating is designed for
   * @param heatingLoad W of the building
   * @param coolingLoad W of the building
   * @param coolingMonth 1 to 12
   * @param coolingHour 1 to 24
   * @param heatingDuration W of the building, the greatest first, at equal steps of the year
   * @param disagreement where the monthly method says something else; null where it does not
   */
  @JsonInclude(JsonInclude.Include.NON_NULL)
  public record EstimateView(
      int hours,
      double floorArea,
      double perArea,
      List<FlowView> flows,
      double fans,
      double hotWater,
      List<CarrierView> carriers,
      double cost,
      double carbon,
      double outdoor,
      double heatingLoad,
      double coolingLoad,
      int coolingMonth,
      int coolingHour,
      double peakHeating,
      double peakCooling,
      List<Double> heatingDuration,
      List<Double> coolingDuration,
      List<OpinionView> opinions,
      @Schema(nullable = true) String disagreement,
      double balanceError,
      List<SpaceEstimateView> spaces,
      List<String> assumptions) {}

  /**
   * Hours of a space.
   *
   * @param from first hour of the year, from 0
   * @param outdoors °C
   * @param air °C
   * @param operative °C
   * @param heating W
   * @param cooling W
   * @param sun W
   * @param internal W
   */
  public record HoursView(
      int from,
      List<Double> outdoors,
      List<Double> air,
      List<Double> operative,
      List<Double> heating,
      List<Double> cooling,
      List<Double> sun,
      List<Double> internal) {}

  /** A linear thermal bridge. */
  public record JunctionView(
      String type,
      String label,
      double length,
      double psi,
      boolean stated,
      List<String> elements,
      List<String> spaces,
      List<Double> lines) {}

  /** Bridges of a type. */
  public record JunctionTotalView(
      String type, String label, int count, double length, double heatLoss) {}

  /**
   * @param dimensions how lengths are measured, in words
   */
  public record JunctionsView(
      String dimensions, List<JunctionTotalView> totals, List<JunctionView> junctions) {}

  /**
   * Sun on an opening.
   *
   * @param hours of sun on the day, counted by the sunlit share
   * @param share sunlit in the hour, 0 to 1
   */
  public record SunView(String key, double hours, double share) {}

  /**
   * @param altitude of the sun, degrees
   * @param azimuth of the sun, degrees clockwise from true north
   */
  public record SunlightView(double altitude, double azimuth, List<SunView> openings) {}
}
