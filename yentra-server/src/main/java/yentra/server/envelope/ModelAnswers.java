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
import java.util.concurrent.CompletableFuture;
import java.util.function.Function;
import java.util.zip.Deflater;
import java.util.zip.GZIPInputStream;
import java.util.zip.GZIPOutputStream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import tools.jackson.databind.json.JsonMapper;
import yentra.core.work.LastUsed;
import yentra.server.deliveries.DeliveryStates;

/**
 * What readers of a delivery get, written and packed once for each of its versions: twenty people
 * who look at a model of a thousand spaces ask for the same megabytes. After an edit only what
 * differs is made anew.
 */
@Service
public class ModelAnswers {
  private static final Logger LOG = LoggerFactory.getLogger(ModelAnswers.class);

  /** Packed answers that are kept, bytes. */
  private static final long MOST_BYTES = 160_000_000;

  private final Deliveries deliveries;
  private final JsonMapper json;
  private final ModelRows rows;
  private final LastUsed<UUID, Kept> kept =
      new LastUsed<>(MOST_BYTES, v -> v.packed.values().stream().mapToLong(b -> b.length).sum());
  private final Cache<Lock, Object> locks = Caffeine.newBuilder().weakValues().build();

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
      Map<Form, byte[]> packed) {
    Kept with(Form form, byte[] bytes) {
      Map<Form, byte[]> more = new EnumMap<>(Form.class);
      more.putAll(packed);
      more.put(form, bytes);
      return new Kept(stamp, state, view, more);
    }
  }

  /**
   * What the page asks for first, made before it asks. One after the other: a worker of the common
   * pool that waits for a lock here could not take its part of what the lock's owner waits for.
   */
  public void prepare(UUID delivery) {
    List.of(Form.SHAPES, Form.ROWS).forEach(f -> of(delivery, f));
  }

  Answer of(UUID delivery, Form form) {
    Deliveries.Stamp now = deliveries.stamp(delivery);
    Kept k = kept.get(delivery);
    if (k == null || !k.stamp.equals(now)) {
      synchronized (lock(delivery, null)) {
        k = kept.get(delivery);
        if (k == null || !k.stamp.equals(now)) {
          k = made(delivery, now, k);
          kept.put(delivery, k);
        }
      }
    }
    byte[] packed = k.packed.get(form);
    if (packed == null) {
      // two forms may be packed at once, one form only once
      synchronized (lock(delivery, form)) {
        Kept other = kept.get(delivery);
        boolean same = other != null && other.stamp.equals(k.stamp);
        packed = same ? other.packed.get(form) : null;
        if (packed == null) {
          packed = packed(k, form);
          keep(delivery, k, form, packed);
          if (form == Form.SHAPES) {
            picture(k);
          }
        }
      }
    }
    return new Answer(k.stamp.tag(), packed);
  }

  /** The picture for the list of projects, which nobody waits for. */
  private void picture(Kept k) {
    CompletableFuture.runAsync(() -> deliveries.picture(k.stamp.delivery(), k.state))
        .exceptionally(
            e -> {
              LOG.warn("no picture of {} for the list of projects", k.stamp.delivery(), e);
              return null;
            });
  }

  /** Whoever packs another state meanwhile keeps that. */
  private void keep(UUID delivery, Kept of, Form form, byte[] packed) {
    kept.change(delivery, k -> k.stamp.equals(of.stamp) ? k.with(form, packed) : k);
  }

  private Object lock(UUID delivery, Form form) {
    return locks.get(new Lock(delivery, form), x -> new Object());
  }

  /**
   * What only one does at a time.
   *
   * @param form that is packed; null while the state is made
   */
  private record Lock(UUID delivery, Form form) {}

  private byte[] packed(Kept k, Form form) {
    ByteArrayOutputStream out = new ByteArrayOutputStream(1 << 19);
    try (OutputStream gzip = new Fast(out)) {
      switch (form) {
        case JSON -> json.writeValue(gzip, k.view);
        case ROWS -> rows.write(k.stamp.tag(), k.view, gzip);
        case SHAPES -> EnvelopeShapes.of(k.state.envelope()).write(gzip);
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
