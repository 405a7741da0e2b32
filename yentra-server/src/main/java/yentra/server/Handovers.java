package yentra.server;

import static yentra.server.db.Tables.HANDOVER;

import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Clock;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.List;
import java.util.UUID;
import java.util.function.Supplier;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;
import yentra.core.envelope.ReadLimits;
import yentra.core.exchange.Handover;
import yentra.core.geometry.Tolerance;
import yentra.server.db.tables.records.DeliveryRecord;
import yentra.server.db.tables.records.HandoverRecord;

/** Files handed over: written from the present state, read back, and kept. */
@Service
class Handovers {
  private final DSLContext db;
  private final DeliveryStore store;
  private final Deliveries deliveries;
  private final JsonMapper json;
  private final Clock clock;
  private final Supplier<UUID> ids;
  private final ReadLimits limits;
  private final Tolerance tolerance;

  Handovers(
      DSLContext db,
      DeliveryStore store,
      Deliveries deliveries,
      JsonMapper json,
      Clock clock,
      Supplier<UUID> ids,
      ReadLimits limits,
      Tolerance tolerance) {
    this.db = db;
    this.store = store;
    this.deliveries = deliveries;
    this.json = json;
    this.clock = clock;
    this.ids = ids;
    this.limits = limits;
    this.tolerance = tolerance;
  }

  /** A written file. */
  record Written(String fileName, byte[] bytes) {}

  /**
   * Writes gbXML, reads it back and keeps it.
   *
   * @throws Problem when blockers are open and that was not decided, or the file does not read back
   *     equal
   */
  @Transactional
  public Views.HandoverView make(UUID delivery, long basedOn, boolean allowBlockers, String by) {
    DeliveryRecord d = store.lock(delivery);
    if (d.getVersion() != basedOn) {
      throw Problem.stale(d.getVersion());
    }
    Deliveries.State state = deliveries.state(d);
    if (state.blockers() > 0 && !allowBlockers) {
      throw Problem.blockersOpen(state.blockers());
    }
    Handover h = Handover.gbxml(state.envelope(), limits, tolerance);
    if (!h.differences().isEmpty()) {
      throw Problem.notApplicable(
          "The written file does not read back equal, so it is not offered: "
              + String.join(" ", h.differences().stream().limit(3).toList()));
    }
    HandoverRecord r = db.newRecord(HANDOVER);
    r.setId(ids.get())
        .setDeliveryId(delivery)
        .setVersion(d.getVersion())
        .setFileName(name(d))
        .setFormat("gbXML 6.01")
        .setBytes(h.bytes())
        .setSha256(hash(h.bytes()))
        .setBlockers(state.blockers())
        .setDifferences(JSONB.valueOf(json.writeValueAsString(h.differences())))
        .setMadeBy(by)
        .setMadeAt(clock.instant());
    r.store();
    return view(r);
  }

  private static String name(DeliveryRecord d) {
    String base = d.getFileName().replaceFirst("\\.[A-Za-z0-9]{1,8}$", "");
    return base + "-handover-v" + d.getVersion() + ".xml";
  }

  private static String hash(byte[] bytes) {
    try {
      return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException("every Java has SHA-256", e);
    }
  }

  List<Views.HandoverView> of(UUID delivery) {
    store.get(delivery);
    return db.selectFrom(HANDOVER)
        .where(HANDOVER.DELIVERY_ID.eq(delivery))
        .orderBy(HANDOVER.MADE_AT.desc())
        .fetch(this::view);
  }

  Written file(UUID id) {
    return db.selectFrom(HANDOVER)
        .where(HANDOVER.ID.eq(id))
        .fetchOptional()
        .map(r -> new Written(r.getFileName(), r.getBytes()))
        .orElseThrow(() -> Problem.notFound("The handover"));
  }

  private Views.HandoverView view(HandoverRecord r) {
    return new Views.HandoverView(
        r.getId(),
        r.getFileName(),
        r.getFormat(),
        r.getBytes().length,
        r.getSha256(),
        r.getBlockers(),
        Arrays.asList(json.readValue(r.getDifferences().data(), String[].class)),
        r.getMadeBy(),
        r.getMadeAt(),
        r.getVersion());
  }
}
