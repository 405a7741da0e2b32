package yentra.server.handover;

import static yentra.server.db.Tables.HANDOVER;

import java.io.ByteArrayInputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Clock;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Supplier;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import tools.jackson.databind.json.JsonMapper;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.StandardUses;
import yentra.core.envelope.UnreadableException;
import yentra.core.exchange.Handover;
import yentra.core.finding.Severity;
import yentra.core.gbxml.GbxmlReader;
import yentra.server.db.tables.records.DeliveryRecord;
import yentra.server.db.tables.records.HandoverRecord;
import yentra.server.decisions.Decisions;
import yentra.server.deliveries.DeliveryStates;
import yentra.server.deliveries.DeliveryStore;
import yentra.server.envelope.Deliveries;
import yentra.server.web.Problem;
import yentra.server.web.Stored;

/** Files handed over: written from the present state, read back, and kept. */
@Service
public class Handovers {
  private static final Logger LOG = LoggerFactory.getLogger(Handovers.class);
  private final DSLContext db;
  private final DeliveryStore store;
  private final Deliveries deliveries;
  private final DeliveryStates states;
  private final Decisions decisions;
  private final JsonMapper json;
  private final Clock clock;
  private final Supplier<UUID> ids;
  private final ReadLimits limits;

  Handovers(
      DSLContext db,
      DeliveryStore store,
      Deliveries deliveries,
      DeliveryStates states,
      Decisions decisions,
      JsonMapper json,
      Clock clock,
      Supplier<UUID> ids,
      ReadLimits limits) {
    this.db = db;
    this.store = store;
    this.deliveries = deliveries;
    this.states = states;
    this.decisions = decisions;
    this.json = Stored.reader(json);
    this.clock = clock;
    this.ids = ids;
    this.limits = limits;
  }

  /** A written file. */
  record Written(String fileName, byte[] bytes) {}

  /**
   * Writes gbXML, reads it back and keeps it.
   *
   * @throws Problem when blockers are open and that was not decided, or the file does not read back
   *     equal
   */
  HandoverViews.HandoverView make(UUID delivery, long basedOn, boolean allowBlockers, String by) {
    DeliveryStates.State state = deliveries.state(delivery);
    if (state.version() != basedOn) {
      throw Problem.stale(state.version(), store.since(delivery, basedOn));
    }
    DeliveryRecord d = store.get(delivery);
    Decisions.Known known = decisions.of(d, state.context(), state.findings());
    int blockers = known.open(state.findings(), Severity.BLOCKER);
    if (blockers > 0 && !allowBlockers) {
      throw Problem.blockersOpen(blockers);
    }
    List<HandoverViews.AcceptedView> accepted =
        state.findings().stream()
            .filter(f -> !known.isOpen(f))
            .map(
                f ->
                    new HandoverViews.AcceptedView(
                        f.code(),
                        f.message(),
                        known.accepted().get(f.id()).reason(),
                        known.accepted().get(f.id()).by()))
            .toList();
    List<String> unknown = StandardUses.unknown(state.envelope(), states.asDelivered(d));
    if (!unknown.isEmpty()) {
      throw Problem.notApplicable(
          String.join(" ", unknown) + " Give another one in Thermal; no other reader knows it.");
    }
    Handover h = Handover.gbxml(state.envelope(), state.context().types(), limits);
    if (!h.differences().isEmpty()) {
      throw Problem.notApplicable(
          "The written file does not read back equal, so it is not offered: "
              + String.join(" ", h.differences().stream().limit(3).toList()));
    }
    HandoverRecord r = db.newRecord(HANDOVER);
    r.setId(ids.get())
        .setDeliveryId(delivery)
        .setVersion(basedOn)
        .setFileName(name(d, basedOn))
        .setFormat("gbXML 6.01")
        .setBytes(h.bytes())
        .setSha256(hash(h.bytes()))
        .setBlockers(blockers)
        .setErrors(known.open(state.findings(), Severity.ERROR))
        .setWarnings(known.open(state.findings(), Severity.WARNING))
        .setAccepted(JSONB.valueOf(json.writeValueAsString(accepted)))
        .setDifferences(JSONB.valueOf(json.writeValueAsString(h.differences())))
        .setMadeBy(by)
        .setMadeAt(clock.instant());
    // what was written stays true of the version it was written from, whatever comes after
    r.store();
    return view(r);
  }

  private static String name(DeliveryRecord d, long version) {
    String base = d.getFileName().replaceFirst("\\.[A-Za-z0-9]{1,8}$", "");
    return base + "-handover-v" + version + ".xml";
  }

  private static String hash(byte[] bytes) {
    try {
      return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException("every Java has SHA-256", e);
    }
  }

  List<HandoverViews.HandoverView> of(UUID delivery) {
    store.get(delivery);
    return db.selectFrom(HANDOVER)
        .where(HANDOVER.DELIVERY_ID.eq(delivery))
        .orderBy(HANDOVER.MADE_AT.desc())
        .fetch(this::view);
  }

  /** The newest handed over file of a delivery, read. */
  public Optional<Envelope> last(UUID delivery) {
    return db.selectFrom(HANDOVER)
        .where(HANDOVER.DELIVERY_ID.eq(delivery))
        .orderBy(HANDOVER.MADE_AT.desc())
        .limit(1)
        .fetchOptional()
        .flatMap(
            r -> {
              try {
                return Optional.of(
                    GbxmlReader.read(new ByteArrayInputStream(r.getBytes()), limits));
              } catch (UnreadableException e) {
                // it was read back when it was written; what another version wrote is left out
                LOG.warn("The handover {} cannot be read: {}", r.getId(), e.getMessage());
                return Optional.empty();
              }
            });
  }

  Written file(UUID id) {
    return db.selectFrom(HANDOVER)
        .where(HANDOVER.ID.eq(id))
        .fetchOptional()
        .map(r -> new Written(r.getFileName(), r.getBytes()))
        .orElseThrow(() -> Problem.notFound("The handover"));
  }

  private HandoverViews.HandoverView view(HandoverRecord r) {
    return new HandoverViews.HandoverView(
        r.getId(),
        r.getFileName(),
        r.getFormat(),
        r.getBytes().length,
        r.getSha256(),
        r.getBlockers(),
        r.getErrors(),
        r.getWarnings(),
        Arrays.asList(json.readValue(r.getDifferences().data(), String[].class)),
        Arrays.asList(json.readValue(r.getAccepted().data(), HandoverViews.AcceptedView[].class)),
        r.getMadeBy(),
        r.getMadeAt(),
        r.getVersion());
  }
}
