package yentra.server.handover;

import java.time.Clock;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import java.util.function.Supplier;
import org.springframework.stereotype.Service;
import tools.jackson.databind.json.JsonMapper;
import yentra.core.bcf.BcfVersion;
import yentra.core.envelope.StandardUses;
import yentra.core.exchange.Handover;
import yentra.core.exchange.HandoverFormat;
import yentra.core.exchange.HandoverMaker;
import yentra.core.exchange.UnitSystem;
import yentra.core.finding.Finding;
import yentra.core.finding.Severity;
import yentra.core.junction.JunctionType;
import yentra.server.db.tables.records.DeliveryRecord;
import yentra.server.db.tables.records.RepairEntryRecord;
import yentra.server.decisions.Decisions;
import yentra.server.deliveries.DeliveryStates;
import yentra.server.deliveries.DeliveryStore;
import yentra.server.envelope.Deliveries;
import yentra.server.estimate.WeatherFiles;
import yentra.server.findings.Topics;
import yentra.server.projects.ProjectStore;
import yentra.server.web.Hashes;
import yentra.server.web.Problem;

/** Files handed over: written from the present state, proven, and kept with their record. */
@Service
public class Handovers {
  private final DeliveryStore store;
  private final Deliveries deliveries;
  private final DeliveryStates states;
  private final Decisions decisions;
  private final ProjectStore projects;
  private final WeatherFiles weather;
  private final Topics topics;
  private final HandoverStore kept;
  private final HandoverFolder folder;
  private final JsonMapper json;
  private final Clock clock;
  private final Supplier<UUID> ids;
  private final MadeFiles made;

  Handovers(
      DeliveryStore store,
      Deliveries deliveries,
      DeliveryStates states,
      Decisions decisions,
      ProjectStore projects,
      WeatherFiles weather,
      Topics topics,
      HandoverStore kept,
      HandoverFolder folder,
      JsonMapper json,
      Clock clock,
      Supplier<UUID> ids,
      MadeFiles made) {
    this.store = store;
    this.deliveries = deliveries;
    this.states = states;
    this.decisions = decisions;
    this.projects = projects;
    this.weather = weather;
    this.topics = topics;
    this.kept = kept;
    this.folder = folder;
    this.json = json;
    this.clock = clock;
    this.ids = ids;
    this.made = made;
  }

  private static UnitSystem units(DeliveryStates.State s) {
    return "IP".equals(s.settings().units()) ? UnitSystem.IP : UnitSystem.SI;
  }

  /**
   * What would be handed over, with all that is to be said of it beforehand; nothing is kept.
   *
   * @throws Problem when it cannot be done as asked
   */
  HandoverViews.LookView look(UUID delivery, HandoverViews.HandoverRequest asked) {
    DeliveryRecord d = store.get(delivery);
    DeliveryStates.State s = deliveries.state(delivery);
    Wish w = Wish.of(asked, s.envelope(), units(s));
    MadeFiles.Written x = made.of(d, s, weather.psi(d.getProjectId()), w);
    int all = s.envelope().spaces().size();
    return new HandoverViews.LookView(
        w.spaces().isEmpty() ? all : w.spaces().size(),
        all,
        w.words(),
        x.maker().partNotes(),
        x.files().stream().map(h -> view(h, name(d, s.version(), h.format()))).toList());
  }

  private static HandoverViews.FileView view(Handover h, String name) {
    return new HandoverViews.FileView(
        h.format().code(),
        h.format().label(),
        name,
        h.bytes().length,
        Hashes.sha256(h.bytes()),
        h.format().isReadBack(),
        h.notes(),
        h.faults(),
        h.differences(),
        h.counts());
  }

  /**
   * Writes files, proves them and keeps them with their record.
   *
   * @throws Problem when something stands against it and that was not decided
   */
  HandoverViews.HandoverView make(UUID delivery, HandoverViews.HandoverRequest asked, String by) {
    DeliveryStates.State s = deliveries.state(delivery);
    if (s.version() != asked.basedOn()) {
      throw Problem.stale(s.version(), store.since(delivery, asked.basedOn()));
    }
    DeliveryRecord d = store.get(delivery);
    Wish w = Wish.of(asked, s.envelope(), units(s));
    Decisions.Known known = decisions.of(d, s.context(), s.findings());
    List<Finding> findings =
        s.findings().stream()
            .filter(
                f ->
                    f.objects().isEmpty()
                        || f.objects().stream().anyMatch(k -> w.concerns(s.envelope(), k)))
            .toList();
    int blockers = known.open(findings, Severity.BLOCKER);
    if (blockers > 0 && !asked.allowBlockers()) {
      throw Problem.blockersOpen(blockers);
    }
    uses(d, s, w);
    Map<JunctionType, Double> psi = weather.psi(d.getProjectId());
    MadeFiles.Written x = made.of(d, s, psi, w);
    if (!asked.allowBlockers()) {
      proven(x.files());
    }
    Provenance record = record(d, s, w, psi, left(findings, known), by);
    List<HandoverStore.FileRow> files = files(d, s, x, record);
    Provenance whole =
        record.with(
            files.stream()
                .map(
                    f ->
                        new Provenance.FileMade(
                            f.format(), f.fileName(), f.bytes().length, f.sha256()))
                .toList());
    UUID id = ids.get();
    // what was written stays true of the version it was written from, whatever comes after
    kept.keep(
        new HandoverStore.Kept(
            id,
            delivery,
            w.words(),
            x.maker().partNotes(),
            blockers,
            known.open(findings, Severity.ERROR),
            known.open(findings, Severity.WARNING),
            accepted(findings, known),
            whole,
            x.balance()),
        files);
    folder.put(record.from().projectName(), base(d), files, bytes(whole));
    return kept.get(id);
  }

  private void uses(DeliveryRecord d, DeliveryStates.State s, Wish w) {
    if (w.formats().stream().noneMatch(HandoverFormat::isGbxml)) {
      return;
    }
    List<String> unknown = StandardUses.unknown(s.envelope(), states.asDelivered(d));
    if (!unknown.isEmpty()) {
      throw Problem.notApplicable(
          String.join(" ", unknown) + " Give another one in Thermal; no other reader knows it.");
    }
  }

  private static void proven(List<Handover> files) {
    List<String> against = new ArrayList<>();
    for (Handover h : files) {
      h.faults().forEach(f -> against.add(h.format().label() + " refuses: " + f));
      h.differences().forEach(f -> against.add(h.format().label() + " reads back: " + f));
    }
    if (!against.isEmpty()) {
      throw Problem.notProven(against);
    }
  }

  private static List<HandoverViews.AcceptedView> accepted(
      List<Finding> findings, Decisions.Known known) {
    return findings.stream()
        .filter(f -> !known.isOpen(f))
        .map(
            f ->
                new HandoverViews.AcceptedView(
                    f.code(),
                    f.message(),
                    known.accepted().get(f.id()).reason(),
                    known.accepted().get(f.id()).by()))
        .toList();
  }

  private static List<Provenance.Left> left(List<Finding> findings, Decisions.Known known) {
    return findings.stream()
        .map(
            f -> {
              boolean open = known.isOpen(f);
              return new Provenance.Left(
                  f.id().toString(),
                  f.code(),
                  f.severity().label(),
                  f.message(),
                  open ? null : known.accepted().get(f.id()).reason(),
                  open ? null : known.accepted().get(f.id()).by());
            })
        .toList();
  }

  private Provenance record(
      DeliveryRecord d,
      DeliveryStates.State s,
      Wish w,
      Map<JunctionType, Double> psi,
      List<Provenance.Left> left,
      String by) {
    Map<String, Double> stated = new TreeMap<>();
    psi.forEach((t, v) -> stated.put(t.name(), v));
    return new Provenance(
        Provenance.PRODUCT,
        new Provenance.From(
            d.getProjectId(),
            projects.name(d.getProjectId()),
            d.getId(),
            d.getPart(),
            d.getRevision(),
            d.getFileName(),
            d.getSize(),
            d.getSha256()),
        new Provenance.Made(by, clock.instant(), s.version()),
        w.choice(),
        s.settings(),
        stated,
        store.loaded(d.getId()).inForce().stream().map(this::step).toList(),
        left,
        List.of());
  }

  private Provenance.Step step(RepairEntryRecord e) {
    return new Provenance.Step(
        e.getId(),
        e.getArea(),
        json.readTree(e.getRepair().data()),
        e.getSummary(),
        e.getFinding(),
        e.getMadeBy(),
        e.getMadeAt());
  }

  /** All files of a handover: chosen formats, then report and topics. */
  private List<HandoverStore.FileRow> files(
      DeliveryRecord d, DeliveryStates.State s, MadeFiles.Written x, Provenance record) {
    List<HandoverStore.FileRow> out = new ArrayList<>();
    long version = record.made().version();
    for (Handover h : x.files()) {
      out.add(
          new HandoverStore.FileRow(
              h.format().code(),
              name(d, version, h.format()),
              h.bytes(),
              Hashes.sha256(h.bytes()),
              h.notes(),
              h.faults(),
              h.differences(),
              h.counts()));
    }
    if (record.choice().report()) {
      out.add(
          other(
              HandoverStore.REPORT,
              base(d) + "-handover-v" + version + "-report.html",
              HandoverReport.html(record, x.maker().partNotes(), out, x.balance()),
              Map.of()));
    }
    if (record.choice().topics()) {
      Map<String, Boolean> open = new LinkedHashMap<>();
      record.left().forEach(l -> open.put(l.id(), l.reason() == null));
      List<Finding> findings =
          s.findings().stream().filter(f -> open.getOrDefault(f.id().toString(), false)).toList();
      out.add(
          other(
              HandoverStore.TOPICS,
              base(d) + "-handover-v" + version + "-findings.bcf",
              topics.archive(
                  d,
                  s,
                  findings,
                  BcfVersion.V3_0,
                  new Topics.Said(f -> true, record.made().at(), record.made().by())),
              Map.of("topics", findings.size())));
    }
    return out;
  }

  private static HandoverStore.FileRow other(
      String format, String name, byte[] bytes, Map<String, Integer> counts) {
    return new HandoverStore.FileRow(
        format, name, bytes, Hashes.sha256(bytes), List.of(), List.of(), List.of(), counts);
  }

  private static String base(DeliveryRecord d) {
    return d.getFileName().replaceFirst("\\.[A-Za-z0-9]{1,8}$", "");
  }

  /** Files whose endings are alike are told apart by the format; the plain name is gbXML 6.01. */
  private static String name(DeliveryRecord d, long version, HandoverFormat f) {
    boolean plain = f == HandoverFormat.GBXML_6_01 || !f.isGbxml() && !f.isIfc();
    return base(d) + "-handover-v" + version + (plain ? "" : "-" + f.code()) + f.ending();
  }

  List<HandoverViews.HandoverView> of(UUID delivery) {
    store.get(delivery);
    return kept.of(delivery);
  }

  /**
   * Makes the files of a handover again from its record, and holds them against those that were
   * handed over.
   *
   * @throws Problem when nobody kept a record
   */
  HandoverViews.AgainView again(UUID handover) {
    Provenance p = recorded(handover);
    DeliveryRecord d = store.get(p.from().delivery());
    DeliveryStates.State s =
        states.state(d, p.settings(), p.log().stream().map(this::entry).toList());
    Map<JunctionType, Double> psi = new EnumMap<>(JunctionType.class);
    p.psi().forEach((t, v) -> psi.put(JunctionType.valueOf(t), v));
    Wish w = Wish.of(p.choice());
    MadeFiles.Written x = made.anew(s, psi, w);
    Map<String, String> now = new LinkedHashMap<>();
    files(d, s, x, p).forEach(f -> now.put(f.fileName(), f.sha256()));
    List<HandoverViews.AgainFileView> files =
        p.files().stream()
            .map(
                f ->
                    new HandoverViews.AgainFileView(
                        f.fileName(), f.sha256(), f.sha256().equals(now.get(f.fileName()))))
            .toList();
    long same = files.stream().filter(HandoverViews.AgainFileView::same).count();
    return new HandoverViews.AgainView(same == files.size(), says(p, same, files.size()), files);
  }

  private static String says(Provenance p, long same, int all) {
    if (same == all) {
      return "Made again from the record: the same bytes, "
          + (all == 1 ? "one file." : "all " + all + " files.");
    }
    return "Made again from the record: "
        + (all - same)
        + " of "
        + all
        + (all == 1 ? " file has" : " files have")
        + " other bytes"
        + (p.product().equals(Provenance.PRODUCT)
            ? "."
            : "; they were written by " + p.product() + ", this is " + Provenance.PRODUCT + ".");
  }

  private RepairEntryRecord entry(Provenance.Step s) {
    RepairEntryRecord e = new RepairEntryRecord();
    e.setId(s.id());
    e.setArea(s.area());
    e.setRepair(org.jooq.JSONB.valueOf(json.writeValueAsString(s.change())));
    e.setFinding(s.finding());
    return e;
  }

  private Provenance recorded(UUID handover) {
    return kept.record(handover)
        .orElseThrow(
            () ->
                Problem.notApplicable(
                    "This handover was made before records were kept. Hand over anew."));
  }

  private byte[] bytes(Provenance p) {
    return json.writerWithDefaultPrettyPrinter().writeValueAsBytes(p);
  }

  /** A file of a handover; null for the first. */
  HandoverStore.Sent file(UUID handover, String format) {
    return kept.file(handover, format);
  }

  /** The record of a handover as JSON. */
  HandoverStore.Sent record(UUID handover) {
    Provenance p = recorded(handover);
    byte[] bytes = bytes(p);
    return new HandoverStore.Sent(
        "record", recordName(p), bytes, Hashes.sha256(bytes), p.made().at());
  }

  private static String recordName(Provenance p) {
    String base = p.from().fileName().replaceFirst("\\.[A-Za-z0-9]{1,8}$", "");
    return base + "-handover-v" + p.made().version() + "-record.json";
  }

  /** All files of a handover with its record in one archive. */
  HandoverStore.Sent archive(UUID handover) {
    List<HandoverStore.Sent> files = kept.files(handover);
    Provenance p = kept.record(handover).orElse(null);
    byte[] bytes =
        HandoverPackage.of(
            files,
            p == null ? null : recordName(p),
            p == null ? null : bytes(p),
            files.get(0).madeAt());
    String name = files.get(0).fileName().replaceFirst("(-handover-v\\d+).*$", "$1.zip");
    return new HandoverStore.Sent(
        "package", name, bytes, Hashes.sha256(bytes), files.get(0).madeAt());
  }

  /**
   * The newest handover of a project: one file, or all as an archive.
   *
   * @param format null for all
   */
  HandoverStore.Sent newest(UUID project, String format) {
    UUID id =
        kept.newest(project, format)
            .orElseThrow(
                () ->
                    Problem.notFound(format == null ? "A handover" : "A handover with " + format));
    return format == null ? archive(id) : kept.file(id, format);
  }

  /** What the model adds up to: with what was read back, where this version was handed over. */
  public HandoverViews.BalanceView balance(UUID delivery) {
    DeliveryStates.State s = deliveries.state(delivery);
    return kept.balance(delivery, s.version())
        .orElseGet(
            () -> {
              Wish all =
                  Wish.of(
                      new HandoverViews.HandoverRequest(
                          s.version(), false, null, null, null, null, false, false),
                      s.envelope(),
                      units(s));
              HandoverMaker m = made.maker(s, Map.of(), all);
              return new HandoverViews.BalanceView(m.balance(null), null);
            });
  }
}
