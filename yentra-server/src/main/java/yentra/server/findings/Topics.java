package yentra.server.findings;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.function.Predicate;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yentra.core.bcf.BcfAnswer;
import yentra.core.bcf.BcfReader;
import yentra.core.bcf.BcfTopic;
import yentra.core.bcf.BcfVersion;
import yentra.core.bcf.BcfWriter;
import yentra.core.check.run.CheckCatalogue;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.UnreadableException;
import yentra.core.finding.Descriptor;
import yentra.core.finding.Finding;
import yentra.core.geometry.Box;
import yentra.core.geometry.Vec3;
import yentra.server.db.tables.records.DeliveryRecord;
import yentra.server.decisions.DecisionViews;
import yentra.server.decisions.Decisions;
import yentra.server.deliveries.DeliveryStates;
import yentra.server.deliveries.DeliveryStore;
import yentra.server.envelope.Previews;
import yentra.server.projects.ProjectStore;
import yentra.server.web.Problem;

/** Findings as BCF topics, and what comes back about them. */
@Service
public class Topics {
  /** With pictures more than this would be no file to send. */
  private static final int MOST = 5_000;

  private static final int PICTURES = 500;

  private final DeliveryStore store;
  private final ProjectStore projects;
  private final DeliveryStates states;
  private final Decisions decisions;
  private final Clock clock;

  Topics(
      DeliveryStore store,
      ProjectStore projects,
      DeliveryStates states,
      Decisions decisions,
      Clock clock) {
    this.store = store;
    this.projects = projects;
    this.states = states;
    this.decisions = decisions;
    this.clock = clock;
  }

  /** A written archive. */
  record Archive(String fileName, byte[] bytes) {}

  /**
   * Writes topics.
   *
   * @param asked ids of findings; null for all that are open
   */
  Archive write(UUID delivery, BcfVersion version, List<String> asked, String by) {
    DeliveryRecord d = store.get(delivery);
    DeliveryStates.State s = states.state(d);
    Decisions.Known known = decisions.of(d, s.context(), s.findings());
    List<Finding> findings =
        asked == null
            ? s.findings().stream().filter(known::isOpen).toList()
            : Previews.findings(s, asked);
    Said said = new Said(known::isOpen, clock.instant(), by);
    String base = d.getFileName().replaceFirst("\\.[A-Za-z0-9]{1,8}$", "");
    return new Archive(base + "-findings.bcf", archive(d, s, findings, version, said));
  }

  /**
   * What topics say of the people around them.
   *
   * @param open whether a finding is not accepted
   */
  public record Said(Predicate<Finding> open, Instant at, String by) {}

  /** Topics of some findings; the same findings, moment and person give the same bytes. */
  public byte[] archive(
      DeliveryRecord d,
      DeliveryStates.State s,
      List<Finding> findings,
      BcfVersion version,
      Said said) {
    if (findings.size() > MOST) {
      throw Problem.notApplicable("More than 5,000 topics make no file. Choose some findings.");
    }
    Map<String, String> guids = new LinkedHashMap<>();
    List<BcfTopic> topics = new ArrayList<>();
    for (Finding f : findings) {
      BcfTopic t = topic(d, s, f, said, topics.size() < PICTURES);
      topics.add(t);
      guids.put(t.guid(), f.id().toString());
    }
    decisions.handedOut(d.getProjectId(), guids);
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try {
      BcfWriter.write(
          topics, version, projects.name(d.getProjectId()), d.getProjectId().toString(), out);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out.toByteArray();
  }

  private BcfTopic topic(
      DeliveryRecord d, DeliveryStates.State s, Finding f, Said said, boolean drawn) {
    Envelope e = s.envelope();
    String guid =
        UUID.nameUUIDFromBytes(
                (d.getProjectId() + "/" + d.getPart() + "/" + f.id())
                    .getBytes(StandardCharsets.UTF_8))
            .toString();
    Descriptor check =
        CheckCatalogue.descriptors().stream()
            .filter(x -> x.code().equals(f.code()))
            .findFirst()
            .orElseThrow();
    Box box = FindingPicture.place(e, f);
    BcfTopic.Camera near = box.isEmpty() ? null : BcfTopic.Camera.of(box.centre(), box.diagonal());
    Vec3 o = e.delivered().origin();
    return new BcfTopic(
        guid,
        f.message(),
        check.why(),
        f.severity().label().equals("note") ? "Info" : "Issue",
        said.open.test(f) ? "Open" : "Accepted",
        f.severity().label(),
        List.of(f.code()),
        said.at,
        said.by,
        components(e, f),
        near == null ? null : new BcfTopic.Camera(near.eye().plus(o), near.direction(), near.up()),
        near == null || !drawn ? null : FindingPicture.png(e, f, near));
  }

  /** The elements behind a finding's objects; where there are none, the objects themselves. */
  private static List<BcfTopic.Component> components(Envelope e, Finding f) {
    Set<BcfTopic.Component> out = new LinkedHashSet<>();
    for (String key : f.objects()) {
      SourceRef element =
          e.surface(key)
              .map(x -> x.element())
              .or(() -> e.opening(key).map(x -> x.element()))
              .orElse(null);
      String id = element == null || element.id().isEmpty() ? e.fileId(key) : element.id();
      boolean ifc = id.matches("[0-3][0-9A-Za-z_$]{21}");
      out.add(new BcfTopic.Component(ifc ? id : null, ifc ? null : id));
    }
    return List.copyOf(out);
  }

  /** Takes in the answers of a BCF file, all or none. */
  @Transactional
  public FindingViews.AnswersView read(UUID delivery, String fileName, byte[] bytes, String by) {
    DeliveryRecord d = store.get(delivery);
    List<BcfAnswer> answers;
    try {
      answers = BcfReader.read(bytes);
    } catch (UnreadableException e) {
      throw Problem.unreadable(e.getMessage(), e.line(), e.column());
    }
    Map<String, String> known = decisions.handedOut(d.getProjectId());
    int found = 0;
    int comments = 0;
    List<String> unknown = new ArrayList<>();
    for (BcfAnswer a : answers) {
      String finding = known.get(a.guid());
      if (finding == null) {
        unknown.add(a.title().isEmpty() ? a.guid() : a.title());
        continue;
      }
      found++;
      comments += a.comments().size();
      if (a.comments().isEmpty()) {
        decisions.answer(
            d.getProjectId(),
            finding,
            new DecisionViews.AnswerView(a.status(), "", "", "", fileName),
            by);
      }
      for (BcfAnswer.Comment c : a.comments()) {
        decisions.answer(
            d.getProjectId(),
            finding,
            new DecisionViews.AnswerView(a.status(), c.author(), c.date(), c.text(), fileName),
            by);
      }
    }
    return new FindingViews.AnswersView(found, comments, unknown);
  }
}
