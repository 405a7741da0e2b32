package yentra.server.handover;

import static yentra.server.db.Tables.DELIVERY;
import static yentra.server.db.Tables.HANDOVER;
import static yentra.server.db.Tables.HANDOVER_FILE;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.JSONB;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;
import yentra.core.exchange.BalanceLine;
import yentra.core.exchange.HandoverFormat;
import yentra.server.db.tables.records.HandoverFileRecord;
import yentra.server.db.tables.records.HandoverRecord;
import yentra.server.web.Problem;
import yentra.server.web.Stored;

/** Files that were handed over, with the record of what they were made of. */
@Repository
public class HandoverStore {
  /** Reports are HTML, topics BCF: no formats of an envelope. */
  static final String REPORT = "report";

  static final String TOPICS = "bcf-3.0";

  private static final Map<String, String> OTHERS =
      Map.of(REPORT, "Report", TOPICS, "Open findings (BCF 3.0)");

  private static final TypeReference<List<BalanceLine>> LINES = new TypeReference<>() {};
  private static final TypeReference<Map<String, Integer>> COUNTS = new TypeReference<>() {};

  private final DSLContext db;
  private final JsonMapper json;

  HandoverStore(DSLContext db, JsonMapper json) {
    this.db = db;
    this.json = Stored.reader(json);
  }

  /** A file as it is kept. */
  record FileRow(
      String format,
      String fileName,
      byte[] bytes,
      String sha256,
      List<String> notes,
      List<String> faults,
      List<String> differences,
      Map<String, Integer> counts) {}

  /** A file to be sent. */
  record Sent(String format, String fileName, byte[] bytes, String sha256, Instant madeAt) {
    String mediaType() {
      return switch (format) {
        case REPORT -> "text/html;charset=UTF-8";
        case "record" -> "application/json";
        default ->
            HandoverFormat.named(format).map(HandoverFormat::mediaType).orElse("application/zip");
      };
    }
  }

  /** What is kept of a handover beside its files. */
  record Kept(
      UUID id,
      UUID delivery,
      String part,
      List<String> partNotes,
      int blockers,
      int errors,
      int warnings,
      List<HandoverViews.AcceptedView> accepted,
      Provenance record,
      List<BalanceLine> balance) {}

  /** Keeps a handover, all of it or nothing. */
  @Transactional
  public void keep(Kept k, List<FileRow> files) {
    HandoverRecord r = db.newRecord(HANDOVER);
    r.setId(k.id)
        .setDeliveryId(k.delivery)
        .setVersion(k.record.made().version())
        .setPart(k.part)
        .setPartNotes(text(k.partNotes))
        .setBlockers(k.blockers)
        .setErrors(k.errors)
        .setWarnings(k.warnings)
        .setAccepted(text(k.accepted))
        .setRecord(text(k.record))
        .setBalance(text(k.balance))
        .setMadeBy(k.record.made().by())
        .setMadeAt(k.record.made().at());
    r.store();
    int place = 0;
    for (FileRow f : files) {
      HandoverFileRecord x = db.newRecord(HANDOVER_FILE);
      x.setHandoverId(k.id)
          .setPlace(place++)
          .setFormat(f.format)
          .setFileName(f.fileName)
          .setBytes(f.bytes)
          .setSize((long) f.bytes.length)
          .setSha256(f.sha256)
          .setNotes(text(f.notes))
          .setFaults(text(f.faults))
          .setDifferences(text(f.differences))
          .setCounts(text(f.counts));
      x.store();
    }
  }

  private JSONB text(Object value) {
    return JSONB.valueOf(json.writeValueAsString(value));
  }

  /** Handovers of a delivery, the newest first. */
  List<HandoverViews.HandoverView> of(UUID delivery) {
    return views(HANDOVER.DELIVERY_ID.eq(delivery));
  }

  HandoverViews.HandoverView get(UUID id) {
    return views(HANDOVER.ID.eq(id)).stream()
        .findFirst()
        .orElseThrow(() -> Problem.notFound("The handover"));
  }

  private List<HandoverViews.HandoverView> views(Condition which) {
    Map<UUID, List<HandoverViews.FileView>> files = new LinkedHashMap<>();
    db.select(ofFile())
        .from(HANDOVER_FILE)
        .join(HANDOVER)
        .on(HANDOVER.ID.eq(HANDOVER_FILE.HANDOVER_ID))
        .where(which)
        .orderBy(HANDOVER_FILE.HANDOVER_ID, HANDOVER_FILE.PLACE)
        .fetchInto(HANDOVER_FILE)
        .forEach(
            f -> files.computeIfAbsent(f.getHandoverId(), k -> new ArrayList<>()).add(view(f)));
    return db.selectFrom(HANDOVER)
        .where(which)
        .orderBy(HANDOVER.MADE_AT.desc(), HANDOVER.ID)
        .fetch(
            r ->
                new HandoverViews.HandoverView(
                    r.getId(),
                    files.getOrDefault(r.getId(), List.of()),
                    r.getPart(),
                    strings(r.getPartNotes()),
                    r.getBlockers(),
                    r.getErrors(),
                    r.getWarnings(),
                    Arrays.asList(
                        json.readValue(r.getAccepted().data(), HandoverViews.AcceptedView[].class)),
                    r.getRecord() != null,
                    r.getMadeBy(),
                    r.getMadeAt(),
                    r.getVersion()));
  }

  /** All of a file but its bytes. */
  private static List<Field<?>> ofFile() {
    List<Field<?>> out = new ArrayList<>(Arrays.asList(HANDOVER_FILE.fields()));
    out.remove(HANDOVER_FILE.BYTES);
    return out;
  }

  private HandoverViews.FileView view(HandoverFileRecord f) {
    HandoverFormat format = HandoverFormat.named(f.getFormat()).orElse(null);
    return new HandoverViews.FileView(
        f.getFormat(),
        format == null ? OTHERS.getOrDefault(f.getFormat(), f.getFormat()) : format.label(),
        f.getFileName(),
        f.getSize(),
        f.getSha256(),
        format != null && format.isReadBack(),
        strings(f.getNotes()),
        strings(f.getFaults()),
        strings(f.getDifferences()),
        json.readValue(f.getCounts().data(), COUNTS));
  }

  private List<String> strings(JSONB from) {
    return Arrays.asList(json.readValue(from.data(), String[].class));
  }

  /**
   * A file of a handover.
   *
   * @param format its code; null for the first
   */
  Sent file(UUID id, String format) {
    return sent(id, format == null ? HANDOVER_FILE.PLACE.eq(0) : HANDOVER_FILE.FORMAT.eq(format))
        .stream()
        .findFirst()
        .orElseThrow(() -> Problem.notFound("The file"));
  }

  /** All files of a handover. */
  List<Sent> files(UUID id) {
    List<Sent> out = sent(id, HANDOVER_FILE.PLACE.ge(0));
    if (out.isEmpty()) {
      throw Problem.notFound("The handover");
    }
    return out;
  }

  private List<Sent> sent(UUID id, Condition which) {
    return db.select(
            HANDOVER_FILE.FORMAT,
            HANDOVER_FILE.FILE_NAME,
            HANDOVER_FILE.BYTES,
            HANDOVER_FILE.SHA256,
            HANDOVER.MADE_AT)
        .from(HANDOVER_FILE)
        .join(HANDOVER)
        .on(HANDOVER.ID.eq(HANDOVER_FILE.HANDOVER_ID))
        .where(HANDOVER_FILE.HANDOVER_ID.eq(id))
        .and(which)
        .orderBy(HANDOVER_FILE.PLACE)
        .fetch(r -> new Sent(r.value1(), r.value2(), r.value3(), r.value4(), r.value5()));
  }

  /** The record of a handover as it was written; empty where nobody kept one. */
  Optional<Provenance> record(UUID id) {
    HandoverRecord r =
        db.selectFrom(HANDOVER)
            .where(HANDOVER.ID.eq(id))
            .fetchOptional()
            .orElseThrow(() -> Problem.notFound("The handover"));
    return Optional.ofNullable(r.getRecord()).map(j -> json.readValue(j.data(), Provenance.class));
  }

  /** The newest handover of a project that has a format. */
  Optional<UUID> newest(UUID project, String format) {
    return db.select(HANDOVER.ID)
        .from(HANDOVER)
        .join(DELIVERY)
        .on(DELIVERY.ID.eq(HANDOVER.DELIVERY_ID))
        .where(DELIVERY.PROJECT_ID.eq(project))
        .and(
            HANDOVER.ID.in(
                db.select(HANDOVER_FILE.HANDOVER_ID)
                    .from(HANDOVER_FILE)
                    .where(
                        format == null
                            ? HANDOVER_FILE.PLACE.eq(0)
                            : HANDOVER_FILE.FORMAT.eq(format))))
        .orderBy(HANDOVER.MADE_AT.desc(), HANDOVER.ID)
        .limit(1)
        .fetchOptional(HANDOVER.ID);
  }

  /** The balance sheet of the newest handover of all spaces at a version. */
  Optional<HandoverViews.BalanceView> balance(UUID delivery, long version) {
    return db.selectFrom(HANDOVER)
        .where(HANDOVER.DELIVERY_ID.eq(delivery))
        .and(HANDOVER.VERSION.eq(version))
        .and(HANDOVER.PART.eq(""))
        .and(HANDOVER.BALANCE.isNotNull())
        .orderBy(HANDOVER.MADE_AT.desc(), HANDOVER.ID)
        .limit(1)
        .fetchOptional()
        .map(
            r ->
                new HandoverViews.BalanceView(
                    json.readValue(r.getBalance().data(), LINES), r.getId()));
  }
}
