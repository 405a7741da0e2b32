package yentra.server.estimate;

import static yentra.server.db.Tables.PROJECT_ESTIMATE;
import static yentra.server.db.Tables.WEATHER;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Supplier;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;
import yentra.core.climate.EpwReader;
import yentra.core.climate.WeatherYear;
import yentra.core.envelope.UnreadableException;
import yentra.core.junction.JunctionType;
import yentra.core.work.LastUsed;
import yentra.server.projects.ProjectStore;
import yentra.server.web.Hashes;
import yentra.server.web.Problem;
import yentra.server.web.Stored;

/**
 * Weather files, kept once for all projects, which of them a project is estimated with, and its
 * settings.
 */
@Service
public class WeatherFiles {
  /** Years that are kept as they were read. */
  private static final int KEPT = 8;

  private final DSLContext db;
  private final ProjectStore projects;
  private final JsonMapper json;
  private final Clock clock;
  private final Supplier<UUID> ids;
  private final LastUsed<UUID, WeatherYear> years = new LastUsed<>(KEPT, y -> 1);

  WeatherFiles(
      DSLContext db, ProjectStore projects, JsonMapper json, Clock clock, Supplier<UUID> ids) {
    this.db = db;
    this.projects = projects;
    this.json = Stored.reader(json);
    this.clock = clock;
    this.ids = ids;
  }

  /** All of them, by name. */
  public List<ClimateViews.WeatherFileView> all() {
    return db.select(
            WEATHER.ID,
            WEATHER.FILE_NAME,
            WEATHER.LABEL,
            WEATHER.LATITUDE,
            WEATHER.LONGITUDE,
            WEATHER.ELEVATION)
        .from(WEATHER)
        .orderBy(WEATHER.LABEL, WEATHER.ID)
        .fetch(
            r ->
                new ClimateViews.WeatherFileView(
                    r.value1(), r.value2(), r.value3(), r.value4(), r.value5(), r.value6()));
  }

  /**
   * Keeps a file, and estimates the project with it.
   *
   * @throws Problem when it is no weather of a year, with line and column
   */
  @Transactional
  public UUID add(UUID project, String fileName, byte[] bytes, String by) {
    projects.get(project);
    UUID id = keep(fileName, bytes, by);
    choose(project, id, by);
    return id;
  }

  /** Keeps a file once. */
  public UUID keep(String fileName, byte[] bytes, String by) {
    WeatherYear y = read(bytes);
    String sha256 = Hashes.sha256(bytes);
    WeatherYear.Station s = y.station();
    db.insertInto(WEATHER)
        .set(WEATHER.ID, ids.get())
        .set(WEATHER.SHA256, sha256)
        .set(WEATHER.FILE_NAME, cut(fileName, 200))
        .set(WEATHER.LABEL, cut(s.label(), 400))
        .set(WEATHER.LATITUDE, s.latitude())
        .set(WEATHER.LONGITUDE, s.longitude())
        .set(WEATHER.ELEVATION, s.elevation())
        .set(WEATHER.BYTES, bytes)
        .set(WEATHER.ADDED_AT, clock.instant())
        .set(WEATHER.ADDED_BY, by)
        .onConflictDoNothing()
        .execute();
    return db.select(WEATHER.ID)
        .from(WEATHER)
        .where(WEATHER.SHA256.eq(sha256))
        .fetchSingle(WEATHER.ID);
  }

  private static String cut(String s, int most) {
    return s.length() > most ? s.substring(0, most) : s;
  }

  private static WeatherYear read(byte[] bytes) {
    try {
      return EpwReader.read(new ByteArrayInputStream(bytes));
    } catch (UnreadableException e) {
      throw Problem.unreadable(e.getMessage(), e.line(), e.column());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** A year; read when first asked for. */
  public WeatherYear year(UUID weather) {
    return years.get(
        weather,
        id ->
            read(
                db.select(WEATHER.BYTES)
                    .from(WEATHER)
                    .where(WEATHER.ID.eq(id))
                    .fetchOptional(WEATHER.BYTES)
                    .orElseThrow(() -> Problem.notFound("The weather file"))));
  }

  /** Estimates a project with a weather file. */
  @Transactional
  public void choose(UUID project, UUID weather, String by) {
    projects.get(project);
    if (!db.fetchExists(WEATHER, WEATHER.ID.eq(weather))) {
      throw Problem.notFound("The weather file");
    }
    db.insertInto(PROJECT_ESTIMATE)
        .set(PROJECT_ESTIMATE.PROJECT_ID, project)
        .set(PROJECT_ESTIMATE.WEATHER_ID, weather)
        .set(PROJECT_ESTIMATE.CHANGED_BY, by)
        .set(PROJECT_ESTIMATE.CHANGED_AT, clock.instant())
        .onConflict(PROJECT_ESTIMATE.PROJECT_ID)
        .doUpdate()
        .set(PROJECT_ESTIMATE.WEATHER_ID, weather)
        .set(PROJECT_ESTIMATE.CHANGED_BY, by)
        .set(PROJECT_ESTIMATE.CHANGED_AT, clock.instant())
        .execute();
  }

  /** The weather file of a project, if it has one. */
  public Optional<UUID> of(UUID project) {
    return db.select(PROJECT_ESTIMATE.WEATHER_ID)
        .from(PROJECT_ESTIMATE)
        .where(PROJECT_ESTIMATE.PROJECT_ID.eq(project))
        .and(PROJECT_ESTIMATE.WEATHER_ID.isNotNull())
        .fetchOptional(PROJECT_ESTIMATE.WEATHER_ID);
  }

  /** ψ of linear thermal bridges that a project states in place of the defaults, W/(mK). */
  public Map<JunctionType, Double> psi(UUID project) {
    return settings(project).stated();
  }

  public RunSettings settings(UUID project) {
    projects.get(project);
    return db.select(PROJECT_ESTIMATE.BODY)
        .from(PROJECT_ESTIMATE)
        .where(PROJECT_ESTIMATE.PROJECT_ID.eq(project))
        .and(PROJECT_ESTIMATE.BODY.isNotNull())
        .fetchOptional(PROJECT_ESTIMATE.BODY)
        .map(b -> json.readValue(b.data(), RunSettings.class))
        .orElse(RunSettings.STANDARD);
  }

  @Transactional
  public void settings(UUID project, RunSettings settings, String by) {
    projects.get(project);
    JSONB body = JSONB.valueOf(json.writeValueAsString(settings.checked()));
    db.insertInto(PROJECT_ESTIMATE)
        .set(PROJECT_ESTIMATE.PROJECT_ID, project)
        .set(PROJECT_ESTIMATE.BODY, body)
        .set(PROJECT_ESTIMATE.CHANGED_BY, by)
        .set(PROJECT_ESTIMATE.CHANGED_AT, clock.instant())
        .onConflict(PROJECT_ESTIMATE.PROJECT_ID)
        .doUpdate()
        .set(PROJECT_ESTIMATE.BODY, body)
        .set(PROJECT_ESTIMATE.CHANGED_BY, by)
        .set(PROJECT_ESTIMATE.CHANGED_AT, clock.instant())
        .execute();
  }
}
