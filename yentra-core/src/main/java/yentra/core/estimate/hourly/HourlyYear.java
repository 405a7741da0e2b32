package yentra.core.estimate.hourly;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.ToDoubleFunction;
import org.apache.commons.math3.linear.Array2DRowRealMatrix;
import org.apache.commons.math3.linear.ArrayRealVector;
import org.apache.commons.math3.linear.SingularValueDecomposition;
import yentra.core.boundary.Watch;
import yentra.core.check.measure.CheckContext;
import yentra.core.climate.DesignDays;
import yentra.core.climate.WeatherQuantity;
import yentra.core.climate.WeatherYear;
import yentra.core.estimate.setting.EstimateSettings;

/**
 * The hourly year of an envelope after ISO 52016-1:2017 (from memory): every space a zone with its
 * own balance, coupled to its neighbours. The components' heat conduction is solved more finely
 * than the standard does (see {@link WallDynamics}); its last month runs ahead of the year, from a
 * steady state. A second year without heating and cooling runs beside the first.
 */
public final class HourlyYear {
  /** Days that run ahead. */
  private static final int AHEAD = 31;

  private static final int DAY = 24;

  /** Design days are repeated until the day's cooling changes less than this share. */
  private static final double PERIODIC = 1e-5;

  private static final int MOST_DAYS = 60;

  /** Days after which the state jumps to where it tends. */
  private static final int JUMP = 6;

  /** Added to the diagonal, as a share of the whole, so that weights stay small. */
  private static final double REGULAR = 1e-10;

  private final Network network;
  private final WeatherYear weather;
  private final Sunshine sunshine;
  private final double[] factors;

  private HourlyYear(Network network, WeatherYear weather, Sunshine sunshine, double[] factors) {
    this.factors = factors;
    this.network = network;
    this.weather = weather;
    this.sunshine = sunshine;
  }

  /** Surfaces and openings without a U-value, which an estimate cannot be made without. */
  public static final class IncompleteException extends Exception {
    private static final long serialVersionUID = 1L;
    private final ArrayList<String> keys;

    IncompleteException(List<String> keys) {
      super(keys.size() + " surfaces or openings have no U-value.");
      this.keys = new ArrayList<>(keys);
    }

    /** Their keys, in the envelope's order. */
    public List<String> keys() {
      return List.copyOf(keys);
    }
  }

  /**
   * Makes an envelope ready for its year.
   *
   * @param bridges linear thermal bridges of a space by its key, W/K
   * @throws IncompleteException when a surface or opening has no U-value
   */
  public static HourlyYear of(
      CheckContext context,
      EstimateSettings settings,
      WeatherYear weather,
      ToDoubleFunction<String> bridges)
      throws IncompleteException {
    NetworkMaker.Made made = NetworkMaker.of(context, settings, weather, bridges);
    if (made.network() == null) {
      throw new IncompleteException(made.missing());
    }
    Network n = made.network();
    Sunshine sun =
        Sunshine.of(
            n.options().sun() ? n.faces() : List.of(),
            context.envelope(),
            weather,
            context.tolerance());
    return new HourlyYear(n, weather, sun, made.factors());
  }

  /** Keys of the spaces in the order of the zones. */
  public List<String> spaces() {
    return network.zones().stream().map(Zone::key).toList();
  }

  /**
   * A zone as a design load asks for it.
   *
   * @param heatTo the highest set-point of the year for heating, °C; NaN for none
   * @param setBack whether that set-point is lowered for some hours, by a kelvin or more
   * @param leaks most air through leaks, m³/h
   * @param supplied most fresh air, less what heat recovery takes up, m³/h
   */
  public record Conditioned(
      String key,
      String label,
      double floorArea,
      double volume,
      boolean heated,
      boolean cooled,
      double heatTo,
      boolean setBack,
      double leaks,
      double supplied) {}

  /** All zones, in order. */
  public List<Conditioned> conditioned() {
    List<Conditioned> out = new ArrayList<>();
    for (Zone z : network.zones()) {
      double most = Double.NaN;
      double least = Double.NaN;
      double leaks = 0;
      double supplied = 0;
      for (int h = 0; h < weather.hours(); h++) {
        double t = z.heatingSetPoint().at(h);
        most = most >= t ? most : t;
        least = least <= t ? least : t;
        leaks = Math.max(leaks, z.infiltration().at(h));
        supplied = Math.max(supplied, z.supply().at(h));
      }
      out.add(
          new Conditioned(
              z.key(),
              z.label(),
              z.floorArea(),
              z.volume(),
              z.heated(),
              z.cooled(),
              most,
              most - least >= 1,
              leaks,
              supplied * (1 - z.recovery())));
    }
    return out;
  }

  /**
   * Runs the year, and beside it the one without heating and cooling.
   *
   * @param rows told of every zone in every hour
   * @param watch told how far it has come; may give it up
   */
  public YearResult run(HourRows rows, Watch watch) {
    AtomicBoolean over = new AtomicBoolean();
    CompletableFuture<YearSums> free =
        CompletableFuture.supplyAsync(
            () -> sums(false, HourRows.NONE, until(over)), HourlyYear::beside);
    try {
      YearSums sums = sums(true, rows, watch);
      return result(sums, free.join());
    } catch (CompletionException e) {
      if (e.getCause() instanceof RuntimeException cause) {
        throw cause;
      }
      throw e;
    } finally {
      over.set(true);
    }
  }

  /** Runs the year alone: how cold and warm spaces become by themselves stays unknown (NaN). */
  public YearResult alone(Watch watch) {
    return result(sums(true, HourRows.NONE, watch), null);
  }

  private YearResult result(YearSums sums, YearSums free) {
    return new YearResult(
        weather.hours(),
        sums.zones(free),
        sums.heating,
        sums.cooling,
        weather.all(WeatherQuantity.DRY_BULB),
        sums.worst,
        sums.settled,
        network.assumptions());
  }

  /** In a thread of its own: it takes long, and others need the common pool. */
  private static void beside(Runnable work) {
    Thread t = new Thread(work, "year without heating and cooling");
    t.setDaemon(true);
    t.start();
  }

  /** Gives the year beside the first one up when the first is over. */
  private static Watch until(AtomicBoolean over) {
    return share -> {
      if (over.get()) {
        throw new CancellationException();
      }
    };
  }

  private YearSums sums(boolean conditioned, HourRows rows, Watch watch) {
    Outdoors outdoors = Outdoors.of(weather, network.options());
    int n = outdoors.hours();
    March march = new March(network, outdoors, sunshine, conditioned);
    int ahead = AHEAD * DAY;
    march.begin(n - ahead, n);
    march.run(n - ahead, n, null, (h, m) -> {});
    YearSums sums = new YearSums(network, n, rows);
    march.run(
        0,
        n,
        null,
        (h, m) -> {
          sums.hour(h, m);
          if (h % DAY == 0) {
            watch.at((double) h / n);
          }
        });
    sums.settled = march.settled();
    return sums;
  }

  /** What simpler methods say. */
  public Map<String, SecondOpinion> secondOpinions() {
    SecondOpinions o =
        new SecondOpinions(network, Outdoors.of(weather, network.options()), sunshine, factors);
    Map<String, SecondOpinion> out = new LinkedHashMap<>();
    out.put("monthly", o.monthly());
    out.put("simpleHourly", o.simpleHourly());
    return out;
  }

  /** kWh of fans by their power, W for each l/s of air that is supplied. */
  public double fans(double power) {
    double volume = 0;
    for (Zone z : network.zones()) {
      volume += z.supply().sum(weather.hours());
    }
    return volume / 3.6 * power / 1000;
  }

  /**
   * Cooling on a day of each month, repeated until it is periodic, without limits of the systems.
   */
  public List<CoolingDay> coolingDays() {
    Network unlimited = withoutLimits();
    return DesignDays.of(weather).months().stream().map(d -> coolingDay(unlimited, d)).toList();
  }

  private CoolingDay coolingDay(Network unlimited, DesignDays.Day d) {
    Outdoors outdoors = Outdoors.of(weather, d, network.options());
    March march = new March(unlimited, outdoors, sunshine, true);
    int[] course = new int[DAY];
    for (int i = 0; i < DAY; i++) {
      course[i] = d.hour() + i;
    }
    march.begin(0, DAY);
    CoolingDay now = new CoolingDay(outdoors.month()[0], network.zones().size());
    List<double[]> memories = new ArrayList<>();
    for (int day = 0; day < MOST_DAYS; day++) {
      CoolingDay next = new CoolingDay(outdoors.month()[0], network.zones().size());
      march.run(0, DAY, course, next::add);
      boolean periodic = day > 2 && next.isLike(now, PERIODIC);
      now = next;
      if (periodic) {
        break;
      }
      memories.add(march.memory());
      if (memories.size() == JUMP) {
        march.recall(limit(memories));
        memories.clear();
      }
    }
    return now;
  }

  /**
   * Where states of days in a row tend to (reduced rank extrapolation; Sidi, Vector Extrapolation
   * Methods, 2017; from memory): the weights, which add up to 1, that make the weighted change of a
   * day least. Heavy walls and unheated rooms come to their day in some days, not in months.
   */
  private static double[] limit(List<double[]> states) {
    int k = states.size() - 1;
    double[][] gram = new double[k][k];
    for (int i = 0; i < k; i++) {
      for (int j = 0; j <= i; j++) {
        double sum = 0;
        for (int n = 0; n < states.get(0).length; n++) {
          sum +=
              (states.get(i + 1)[n] - states.get(i)[n]) * (states.get(j + 1)[n] - states.get(j)[n]);
        }
        gram[i][j] = sum;
        gram[j][i] = sum;
      }
    }
    double trace = 0;
    for (int i = 0; i < k; i++) {
      trace += gram[i][i];
    }
    if (!(trace > 0)) {
      return states.get(k);
    }
    for (int i = 0; i < k; i++) {
      for (int j = 0; j < k; j++) {
        gram[i][j] /= trace;
      }
      gram[i][i] += REGULAR;
    }
    double[] ones = new double[k];
    Arrays.fill(ones, 1);
    double[] weights =
        new SingularValueDecomposition(new Array2DRowRealMatrix(gram, false))
            .getSolver()
            .solve(new ArrayRealVector(ones, false))
            .toArray();
    double all = Arrays.stream(weights).sum();
    double[] out = new double[states.get(0).length];
    for (int i = 0; i < k; i++) {
      for (int n = 0; n < out.length; n++) {
        out[n] += weights[i] / all * states.get(i + 1)[n];
      }
    }
    return out;
  }

  private Network withoutLimits() {
    List<Zone> zones =
        network.zones().stream()
            .map(
                z ->
                    new Zone(
                        z.key(),
                        z.label(),
                        z.floorArea(),
                        z.volume(),
                        z.heated(),
                        z.cooled(),
                        z.heatingSetPoint(),
                        z.coolingSetPoint(),
                        Double.POSITIVE_INFINITY,
                        Double.POSITIVE_INFINITY,
                        z.infiltration(),
                        z.supply(),
                        z.recovery(),
                        z.people(),
                        z.lighting(),
                        z.equipment()))
            .toList();
    return new Network(
        zones,
        network.components(),
        network.links(),
        network.faces(),
        network.bridges(),
        network.options(),
        network.assumptions());
  }
}
