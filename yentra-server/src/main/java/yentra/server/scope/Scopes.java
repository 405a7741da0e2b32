package yentra.server.scope;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import yentra.core.ifc.IfcModel;
import yentra.core.ifc.IfcTrimmer;
import yentra.core.model.ArchitecturalModel;
import yentra.core.model.Element;
import yentra.core.scope.Condition;
import yentra.core.scope.ScopeResult;
import yentra.core.scope.ScopeRun;
import yentra.core.scope.ScopeSheet;
import yentra.core.scope.ScopeState;
import yentra.core.scope.ScopeStep;
import yentra.core.scope.Selection;
import yentra.core.scope.StoreyCounts;
import yentra.core.scope.ValueChange;
import yentra.core.scope.ValueTest;
import yentra.server.deliveries.DeliveryStates;
import yentra.server.deliveries.DeliveryStore;
import yentra.server.envelope.Deliveries;
import yentra.server.envelope.EnvelopeViews;
import yentra.server.web.Problem;

/** What of a delivery is in scope, why, and with which values; and the trimmed file of it. */
@Service
public class Scopes {
  private static final int LONGEST = 500;
  private final Deliveries deliveries;
  private final DeliveryStore store;
  private final Cache<UUID, ElementMeshes> meshes = Caffeine.newBuilder().maximumSize(2).build();

  Scopes(Deliveries deliveries, DeliveryStore store) {
    this.deliveries = deliveries;
    this.store = store;
  }

  ScopeViews.ScopeView view(UUID id) {
    DeliveryStates.State s = deliveries.state(id);
    return ScopeViews.scope(s, s.scope(), s.result(), null, writable(s));
  }

  private static boolean writable(DeliveryStates.State s) {
    return s.whole() instanceof IfcModel;
  }

  ScopeViews.ScopeView attempt(UUID id, ScopeSheet sheet) {
    DeliveryStates.State s = deliveries.state(id);
    ScopeState tried = s.scope().with(sheet);
    return ScopeViews.scope(s, tried, tried.run(s.whole()), sheet.name(), writable(s));
  }

  /** Bodies do not depend on scope, so they are made once for each delivery. */
  ElementMeshes meshes(UUID id) {
    DeliveryStates.State s = deliveries.state(id);
    return meshes.get(id, k -> ElementMeshes.of(s.whole()));
  }

  ScopeViews.ValueTableView values(UUID id, String entity) {
    return ScopeViews.values(deliveries.state(id), entity);
  }

  List<StoreyCounts.Row> storeys(UUID id) {
    DeliveryStates.State s = deliveries.state(id);
    return StoreyCounts.of(s.whole(), s.result());
  }

  ScopeViews.ElementView element(UUID id, String key) {
    DeliveryStates.State s = deliveries.state(id);
    List<Element> all = s.whole().elements();
    Element e = s.whole().element(key).orElseThrow(() -> Problem.notFound("The element " + key));
    int at = all.indexOf(e);
    if (at < 0) {
      throw Problem.notFound("The element " + key);
    }
    return ScopeViews.element(s, e, at);
  }

  EnvelopeViews.ModelView apply(UUID id, long basedOn, ScopeSheet sheet, String by) {
    return deliveries.scope(id, basedOn, s -> new ScopeStep.ApplySheet(sheet), by);
  }

  EnvelopeViews.ModelView place(UUID id, ScopeViews.PlaceRequest asked, String by) {
    String reason = asked.reason() == null ? "" : asked.reason().strip();
    if (reason.length() > LONGEST) {
      throw Problem.bad("A reason has at most " + LONGEST + " characters.");
    }
    return deliveries.scope(
        id,
        asked.basedOn(),
        s -> new ScopeStep.PlaceElements(known(s, asked.keys()), asked.in(), reason),
        by);
  }

  EnvelopeViews.ModelView release(UUID id, ScopeViews.ReleaseRequest asked, String by) {
    return deliveries.scope(
        id,
        asked.basedOn(),
        s -> {
          List<String> keys =
              known(s, asked.keys()).stream().filter(s.scope().byHand()::containsKey).toList();
          if (keys.isEmpty()) {
            throw Problem.notApplicable("Nothing was decided by hand about these elements.");
          }
          return new ScopeStep.ReleaseElements(keys);
        },
        by);
  }

  private static List<String> known(DeliveryStates.State s, List<String> keys) {
    if (keys == null || keys.isEmpty()) {
      throw Problem.bad("No element is named.");
    }
    for (String k : keys) {
      if (s.whole().element(k).isEmpty()) {
        throw Problem.notFound("The element " + k);
      }
    }
    return keys.stream().distinct().toList();
  }

  EnvelopeViews.ModelView change(UUID id, ScopeViews.ValueRequest asked, String by) {
    if (blank(asked.set()) || blank(asked.property())) {
      throw Problem.bad("A value needs a property set and a property.");
    }
    ValueChange change = valueChange(asked);
    return deliveries.scope(id, asked.basedOn(), s -> values(s, asked, change), by);
  }

  private static boolean blank(String s) {
    return s == null || s.isBlank() || s.length() > LONGEST;
  }

  private static ValueChange valueChange(ScopeViews.ValueRequest asked) {
    String text = asked.text() == null ? "" : asked.text();
    if (text.length() > 10 * LONGEST) {
      throw Problem.bad("A value has at most " + 10 * LONGEST + " characters.");
    }
    return switch (asked.how() == null ? "" : asked.how()) {
      case "set" -> new ValueChange.Typed(text);
      case "copy" ->
          new ValueChange.Copied(
              asked.fromSet() == null ? "" : asked.fromSet(),
              asked.fromProperty() == null ? "" : asked.fromProperty());
      case "replace" -> new ValueChange.Replaced(text, asked.with() == null ? "" : asked.with());
      case "remove" -> new ValueChange.Removed();
      default -> throw Problem.bad("Say how: set, copy, replace or remove.");
    };
  }

  private static ScopeStep values(
      DeliveryStates.State s, ScopeViews.ValueRequest asked, ValueChange change) {
    if (!writable(s)) {
      throw Problem.notApplicable(
          "Attributes of a gbXML delivery are changed by repairs, in Envelope.");
    }
    ArchitecturalModel values = s.scope().values(s.whole());
    List<Element> elements =
        known(s, asked.keys()).stream().map(k -> s.whole().element(k).orElseThrow()).toList();
    try {
      return change
          .step(values, elements, asked.set().strip(), asked.property().strip(), where(asked))
          .orElseThrow(() -> Problem.notApplicable("No value would change."));
    } catch (IllegalArgumentException e) {
      throw Problem.notApplicable(e.getMessage());
    }
  }

  private static Condition where(ScopeViews.ValueRequest asked) {
    if (asked.where() == null || asked.where().isBlank()) {
      return null;
    }
    ValueTest test = ValueTest.of(asked.where());
    String property = asked.whereProperty() == null ? "" : asked.whereProperty();
    String set = asked.whereSet() == null ? "" : asked.whereSet();
    return property.isBlank()
        ? Condition.of(Condition.Subject.NAME, test)
        : Condition.property(set, property, test);
  }

  List<String> pick(UUID id, ScopeViews.PickRequest asked) {
    DeliveryStates.State s = deliveries.state(id);
    ValueTest test;
    try {
      test = ValueTest.of(asked.test() == null ? "" : asked.test());
    } catch (IllegalArgumentException e) {
      throw Problem.notApplicable(e.getMessage());
    }
    if (test == null || asked.subject() == null) {
      throw Problem.bad("Say what to look for.");
    }
    boolean property = asked.subject() == Condition.Subject.PROPERTY;
    if (property && blank(asked.property())) {
      throw Problem.bad("Name the property.");
    }
    Selection selection =
        asked.subject() == Condition.Subject.CLASS
            ? new Selection(test, true, List.of())
            : new Selection(
                null,
                true,
                List.of(
                    property
                        ? Condition.property(
                            asked.set() == null ? "" : asked.set().strip(),
                            asked.property().strip(),
                            test)
                        : Condition.of(asked.subject(), test)));
    return selection.of(s.scope().values(s.whole())).stream().map(Element::key).toList();
  }

  ScopeViews.TrimmedView size(UUID id) {
    try {
      IfcTrimmer.Trimmed t = write(id, OutputStream.nullOutputStream());
      return new ScopeViews.TrimmedView(
          t.bytesBefore(),
          t.bytes(),
          t.instancesBefore(),
          t.instances(),
          t.elementsBefore(),
          t.elements(),
          t.relationsLeftOut());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  String fileName(UUID id) {
    String name = store.get(id).getFileName().replaceFirst("\\.[A-Za-z0-9]{1,8}$", "");
    return name + "-scope-v" + store.get(id).getVersion() + ".ifc";
  }

  /** Writes the IFC file of what is in scope, with the values that were set. */
  IfcTrimmer.Trimmed write(UUID id, OutputStream out) throws IOException {
    DeliveryStates.State s = deliveries.state(id);
    if (!(s.whole() instanceof IfcModel model)) {
      throw Problem.notApplicable(
          "A trimmed IFC file needs an IFC delivery; this one is gbXML. Hand it over as gbXML.");
    }
    Set<String> in = new HashSet<>();
    s.result().decisions().stream()
        .filter(ScopeResult.Decision::in)
        .forEach(d -> in.add(d.element().key()));
    ScopeSheet rules = s.scope().rules();
    return IfcTrimmer.write(
        model,
        e -> in.contains(e.key()),
        (set, property) -> ScopeRun.keeps(rules, set, property),
        s.scope().edits(),
        out);
  }
}
