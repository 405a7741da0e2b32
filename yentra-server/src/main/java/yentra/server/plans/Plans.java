package yentra.server.plans;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.ReadNote;
import yentra.core.envelope.Rules;
import yentra.core.envelope.UnreadableException;
import yentra.core.pipeline.Masses;
import yentra.core.pipeline.Stage;
import yentra.core.plan.KeptKeys;
import yentra.core.plan.PlanDocument;
import yentra.core.plan.PlanEnvelope;
import yentra.core.plan.PlanFigures;
import yentra.core.plan.PlanReader;
import yentra.core.plan.PlanSheet;
import yentra.core.plan.PlanWriter;
import yentra.core.scope.ScopeStep;
import yentra.server.deliveries.DeliveryStates;
import yentra.server.envelope.Deliveries;
import yentra.server.envelope.EnvelopeViews;
import yentra.server.web.Problem;

/**
 * Drawn buildings. Drawing one anew is a step of the log that holds the whole document, so it is
 * undone, replayed and refused when it is stale like any other edit; repairs and what was given to
 * spaces and surfaces are made again on what it gives.
 */
@Service
public class Plans {
  private static final int LONGEST = 300;

  /** Storeys of a body that says nothing of any, m; common practice, no source. */
  private static final double USUAL_HEIGHT = 3.2;

  private static final double LEAST_HEIGHT = 2;
  private static final double MOST_HEIGHT = 50;
  private final Deliveries deliveries;
  private final DeliveryStates states;

  Plans(Deliveries deliveries, DeliveryStates states) {
    this.deliveries = deliveries;
    this.states = states;
  }

  PlanViews.PlanView plan(UUID id) {
    DeliveryStates.State s = deliveries.state(id);
    PlanDocument document = drawn(id);
    Rules rules = s.context().rules();
    try {
      Envelope e = PlanEnvelope.of(document, rules);
      return new PlanViews.PlanView(s.version(), text(document), PlanSheet.of(document, e, rules));
    } catch (UnreadableException e) {
      throw new IllegalStateException("a plan that was drawn makes no envelope", e);
    }
  }

  private PlanDocument drawn(UUID id) {
    PlanDocument document = states.plan(id);
    if (document == null) {
      throw Problem.notApplicable("This delivery is no drawn building.");
    }
    return document;
  }

  private static String text(PlanDocument document) {
    return new String(PlanWriter.write(document), StandardCharsets.UTF_8);
  }

  EnvelopeViews.ModelView draw(UUID id, PlanViews.DrawRequest asked, String by) {
    String says = asked.says() == null ? "" : asked.says().strip();
    if (says.isEmpty() || says.length() > LONGEST) {
      throw Problem.bad("Say what was drawn, in at most " + LONGEST + " characters.");
    }
    PlanDocument document = read(asked.document());
    return deliveries.scope(
        id,
        asked.basedOn(),
        s -> {
          return new ScopeStep.Draw(text(kept(drawn(id), document, s.context().rules())), says);
        },
        by);
  }

  /**
   * Floors of a delivery that brings bodies and no rooms.
   *
   * @param height of all storeys in m; null for those that the file states
   */
  PlanViews.MassView mass(UUID id, Double height) {
    if (height != null && !(height >= LEAST_HEIGHT && height <= MOST_HEIGHT)) {
      throw Problem.bad("A storey is from 2 to 50 m high.");
    }
    DeliveryStates.State s = states.beforeRepairs(id);
    Rules rules = s.context().rules();
    Stage stage = new Stage(s.whole(), s.scope(), s.result(), s.context());
    Masses.Cut cut =
        Masses.floors(stage, height, USUAL_HEIGHT, "Floors of a mass", rules).orElse(null);
    if (cut == null) {
      return new PlanViews.MassView(null, List.of(), 0, 0, 0, List.of());
    }
    PlanFigures figures = PlanFigures.of(envelope(cut.document(), rules), rules);
    return new PlanViews.MassView(
        text(cut.document()),
        cut.document().storeys().stream().map(PlanDocument.StoreyPlan::name).toList(),
        figures.floorArea(),
        figures.volume(),
        cut.bodyVolume(),
        cut.notes());
  }

  /** What a document comes to; nothing is kept. */
  PlanViews.TriedView attempt(String document) {
    Rules rules = Rules.standard();
    Envelope e = envelope(read(document), rules);
    return new PlanViews.TriedView(
        PlanFigures.of(e, rules), e.notes().stream().map(ReadNote::message).toList());
  }

  private static PlanDocument read(String document) {
    if (document == null) {
      throw Problem.bad("The plan document is missing.");
    }
    try {
      return PlanReader.read(document.getBytes(StandardCharsets.UTF_8));
    } catch (UnreadableException e) {
      throw Problem.unreadable(e.getMessage(), e.line(), e.column());
    }
  }

  /** What was given to spaces stays with them: they keep their keys. */
  private static PlanDocument kept(PlanDocument before, PlanDocument after, Rules rules) {
    envelope(after, rules);
    try {
      return KeptKeys.of(before, after, rules);
    } catch (UnreadableException e) {
      throw Problem.unreadable(e.getMessage(), e.line(), e.column());
    }
  }

  private static Envelope envelope(PlanDocument document, Rules rules) {
    try {
      return PlanEnvelope.of(document, rules);
    } catch (UnreadableException e) {
      throw Problem.unreadable(e.getMessage(), e.line(), e.column());
    }
  }
}
