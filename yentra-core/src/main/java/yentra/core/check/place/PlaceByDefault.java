package yentra.core.check.place;

import com.google.auto.service.AutoService;
import java.util.List;
import java.util.function.Consumer;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.rule.Check;
import yentra.core.envelope.Site;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Finding;
import yentra.core.finding.Limit;
import yentra.core.finding.Severity;
import yentra.core.finding.Workspace;

/**
 * LOC-804: the place is the middle of a large city, to whole minutes and at sea level, as programs
 * for drawing put it into new files.
 */
@AutoService(Check.class)
public final class PlaceByDefault implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
              "LOC-804",
              Severity.WARNING,
              "the place looks like one that was never set",
              "Latitude and longitude as delivered, to whole minutes, that are those of the middle of one of a few large cities (from memory), with an elevation of 0 m or none.",
              "Sun and weather are then those of another place.",
              List.of(new Limit("minutes", "", 0.6, 0, 5)))
          .answered("Give the place", Workspace.INTAKE);

  /** A city and its middle in whole minutes north and east. */
  private record City(String name, int north, int east) {}

  private static City city(String name, int degN, int minN, int degE, int minE) {
    return new City(
        name, degN * 60 + (degN < 0 ? -minN : minN), degE * 60 + (degE < 0 ? -minE : minE));
  }

  private static final List<City> CITIES =
      List.of(
          city("Amsterdam", 52, 22, 4, 54),
          city("Berlin", 52, 31, 13, 24),
          city("Boston", 42, 21, -71, 4),
          city("Brussels", 50, 51, 4, 21),
          city("Budapest", 47, 30, 19, 3),
          city("Copenhagen", 55, 41, 12, 34),
          new City("London", 51 * 60 + 30, -7),
          city("Madrid", 40, 25, -3, 42),
          city("Munich", 48, 8, 11, 34),
          city("New York", 40, 43, -74, 0),
          city("Oslo", 59, 55, 10, 45),
          city("Paris", 48, 51, 2, 21),
          city("Prague", 50, 5, 14, 25),
          city("Rome", 41, 54, 12, 30),
          city("Stockholm", 59, 20, 18, 4),
          city("Sydney", -33, 52, 151, 12),
          city("Tokyo", 35, 41, 139, 42),
          city("Vienna", 48, 13, 16, 22),
          city("Zurich", 47, 22, 8, 32));

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    Site s = context.envelope().site();
    if (s.latitude() == null
        || s.longitude() == null
        || s.elevation() != null && s.elevation() != 0) {
      return;
    }
    double north = s.latitude() * 60;
    double east = s.longitude() * 60;
    double near = context.limit(DESCRIPTOR, "minutes");
    for (City c : CITIES) {
      boolean there = Math.abs(north - c.north) <= near && Math.abs(east - c.east) <= near;
      if (there && isWhole(north) && isWhole(east)) {
        report.accept(
            context
                .finding(DESCRIPTOR)
                .says(
                    "The delivery stands in the middle of "
                        + c.name
                        + " at sea level, to whole minutes: the place was probably never set."));
        return;
      }
    }
  }

  /** To whole minutes, as degrees with six decimals still tell. */
  private static boolean isWhole(double minutes) {
    return Math.abs(minutes - Math.rint(minutes)) < 1e-4;
  }
}
