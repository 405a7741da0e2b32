package yentra.server.envelope;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Function;
import java.util.zip.Deflater;
import java.util.zip.GZIPInputStream;
import java.util.zip.GZIPOutputStream;
import org.springframework.stereotype.Service;
import tools.jackson.databind.json.JsonMapper;
import yentra.server.deliveries.DeliveryStates;

/**
 * What readers of a delivery get, written and packed once for each of its versions: twenty people
 * who look at a model of a thousand spaces ask for the same megabytes. After an edit only what
 * differs is made anew.
 */
@Service
public class ModelAnswers {
  /** Packed answers that are kept, bytes. */
  private static final long MOST_BYTES = 64_000_000;

  private final Deliveries deliveries;
  private final JsonMapper json;
  private final ModelRows rows;
  private final Cache<UUID, Kept> kept =
      Caffeine.newBuilder()
          .maximumWeight(MOST_BYTES)
          .weigher((UUID k, Kept v) -> v.packed.values().stream().mapToInt(b -> b.length).sum())
          .build();
  private final Cache<UUID, Object> locks = Caffeine.newBuilder().weakValues().build();

  ModelAnswers(Deliveries deliveries, JsonMapper json) {
    this.deliveries = deliveries;
    this.json = json;
    this.rows = new ModelRows(json);
  }

  /** How a model is written. */
  enum Form {
    /** One JSON value. */
    JSON,
    /** {@link ModelRows}. */
    ROWS,
    /** {@link EnvelopeShapes}. */
    SHAPES
  }

  /**
   * @param tag changes whenever the answer may
   * @param packed gzip
   */
  public record Answer(String tag, byte[] packed) {
    byte[] plain() {
      try (GZIPInputStream in = new GZIPInputStream(new ByteArrayInputStream(packed))) {
        return in.readAllBytes();
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    }
  }

  private record Kept(
      Deliveries.Stamp stamp,
      DeliveryStates.State state,
      EnvelopeViews.ModelView view,
      Map<Form, byte[]> packed) {}

  /** What the page asks for first, made before it asks. */
  public void prepare(UUID delivery) {
    of(delivery, Form.ROWS);
    of(delivery, Form.SHAPES);
  }

  Answer of(UUID delivery, Form form) {
    Deliveries.Stamp now = deliveries.stamp(delivery);
    Kept k = kept.getIfPresent(delivery);
    if (k == null || !k.stamp.equals(now) || !k.packed.containsKey(form)) {
      synchronized (locks.get(delivery, d -> new Object())) {
        k = kept.getIfPresent(delivery);
        if (k == null || !k.stamp.equals(now)) {
          k = made(delivery, now, k);
        }
        if (!k.packed.containsKey(form)) {
          Map<Form, byte[]> more = new EnumMap<>(Form.class);
          more.putAll(k.packed);
          more.put(form, packed(k, form));
          k = new Kept(k.stamp, k.state, k.view, more);
        }
        kept.put(delivery, k);
      }
    }
    return new Answer(k.stamp.tag(), k.packed.get(form));
  }

  private byte[] packed(Kept k, Form form) {
    ByteArrayOutputStream out = new ByteArrayOutputStream(1 << 19);
    try (OutputStream gzip = new Fast(out)) {
      switch (form) {
        case JSON -> json.writeValue(gzip, k.view);
        case ROWS -> rows.write(k.stamp.tag(), k.view, gzip);
        case SHAPES -> {
          EnvelopeShapes.of(k.state.envelope()).write(gzip);
          deliveries.picture(k.stamp.delivery(), k.state);
        }
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out.toByteArray();
  }

  private Kept made(UUID delivery, Deliveries.Stamp stamp, Kept before) {
    boolean alike = before != null && before.stamp.decisions().equals(stamp.decisions());
    Deliveries.Seen seen = deliveries.seen(delivery, alike ? before.state : null);
    EnvelopeViews.ModelView view =
        seen.view().since() == null ? seen.view() : merged(before.view, seen.view(), seen.state());
    return new Kept(stamp, seen.state(), view, Map.of());
  }

  /** Packing quickly matters more than the last tenth of the size. */
  private static final class Fast extends GZIPOutputStream {
    Fast(OutputStream out) throws IOException {
      super(out, 1 << 16);
      def.setLevel(Deflater.BEST_SPEED);
    }
  }

  /** The whole of a state out of that of another one and what differs. */
  private static EnvelopeViews.ModelView merged(
      EnvelopeViews.ModelView before, EnvelopeViews.ModelView changes, DeliveryStates.State s) {
    Map<String, EnvelopeViews.SpaceView> spaces =
        byKey(before.spaces(), changes.spaces(), EnvelopeViews.SpaceView::key);
    Map<String, EnvelopeViews.SurfaceView> surfaces =
        byKey(before.surfaces(), changes.surfaces(), EnvelopeViews.SurfaceView::key);
    Map<String, EnvelopeViews.FindingView> findings =
        byKey(before.findings(), changes.findings(), EnvelopeViews.FindingView::id);
    return new EnvelopeViews.ModelView(
        changes.delivery(),
        changes.report(),
        changes.scope(),
        changes.delivered(),
        changes.northAzimuth(),
        changes.storeys(),
        s.envelope().spaces().stream().map(x -> spaces.get(x.key())).toList(),
        s.envelope().surfaces().stream().map(x -> surfaces.get(x.key())).toList(),
        changes.orphans(),
        changes.constructions(),
        changes.glazing(),
        changes.assumed(),
        changes.since().findings().stream().map(findings::get).toList(),
        changes.groups(),
        changes.severities(),
        changes.path(),
        changes.log(),
        changes.settingsLog(),
        null);
  }

  private static <T> Map<String, T> byKey(
      List<T> before, List<T> changes, Function<T, String> key) {
    Map<String, T> out = new HashMap<>(2 * before.size());
    before.forEach(v -> out.put(key.apply(v), v));
    changes.forEach(v -> out.put(key.apply(v), v));
    return out;
  }
}
