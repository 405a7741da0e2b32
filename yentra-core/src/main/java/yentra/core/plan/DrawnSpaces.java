package yentra.core.plan;

import java.util.Comparator;
import java.util.HashSet;
import java.util.Locale;
import java.util.Set;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Polygon;
import yentra.core.envelope.Naming;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.Space;
import yentra.core.envelope.StableKeys;
import yentra.core.plan.PlanDocument.Label;
import yentra.core.plan.PlanDocument.Origin;
import yentra.core.plan.PlanDocument.StoreyPlan;

/**
 * Keys, names and uses of drawn spaces. A key is given by a label, or follows from the storey with
 * the label, or the part of a band, or else the outline of the face, so that what a change does not
 * touch keeps it. No two names are the same.
 */
final class DrawnSpaces {
  private final PlanDocument document;
  private final StableKeys keys = new StableKeys();
  private final Set<String> names = new HashSet<>();

  /** Keys that labels give, and that no other space gets. */
  private final Set<String> given = new HashSet<>();

  private final Set<String> taken = new HashSet<>();

  DrawnSpaces(PlanDocument document) {
    this.document = document;
    document.floors().forEach(f -> f.labels().forEach(l -> given.addAll(l.keys().values())));
  }

  private String key(String... parts) {
    String key;
    do {
      key = keys.of("space-", parts);
    } while (given.contains(key));
    return key;
  }

  private static String id(StoreyPlan s) {
    return s.origin().id() == null ? s.name() : s.origin().id();
  }

  static String storeyKey(StoreyPlan s) {
    return new StableKeys().of("storey-", id(s));
  }

  /**
   * The space of a face.
   *
   * @param piece how many faces with the same label or part there were, with this one
   * @param original labels that were drawn on this storey, not copied to it
   */
  Space of(StoreyPlan s, FloorLayout.Face face, Polygon plan, int piece, Set<Label> original) {
    Label label = face.label() == null || face.label().isAnchor() ? null : face.label();
    String own = face.label() == null ? null : face.label().keys().get(s.name());
    String key = own != null && taken.add(own) ? own : key(s, face, label, plan);
    String name = label == null ? "" : label.name();
    Origin origin = null;
    if (label != null) {
      if (!name.isEmpty() && !original.contains(label)) {
        name = name + ", " + s.name();
      }
      origin = label.origin();
    } else if (face.part() != null) {
      origin = Origin.of(face.part().outline());
    }
    if (name.isEmpty()) {
      name = s.name() + (face.part() == null ? " room" : " " + words(face.part()));
    }
    SourceRef source =
        origin == null
            ? new SourceRef("Face", "", s.name(), 0, 0)
            : new SourceRef(
                label == null ? "Outline" : "Label",
                origin.label(),
                label == null ? "" : label.name(),
                origin.line(),
                origin.column());
    return Space.of(key)
        .with()
        .name(unique(piece > 1 && label != null ? name + " " + piece : name))
        .storey(storeyKey(s))
        .building(PlanEnvelope.BUILDING)
        .use(label == null ? "" : label.use())
        .source(source)
        .build();
  }

  private String key(StoreyPlan s, FloorLayout.Face face, Label label, Polygon plan) {
    if (label != null) {
      String known = label.origin().id() == null ? label.name() : label.origin().id();
      return key(id(s), "label", known);
    }
    return face.part() == null
        ? key(id(s), "face", outline(plan))
        : key(id(s), face.part().outline(), String.valueOf(face.part().side()));
  }

  private String words(FloorLayout.Part part) {
    if (part.side() < 0) {
      return "core";
    }
    double north = document.place().north() == null ? 0 : document.place().north();
    return Naming.quarter(part.azimuth() + north) + " side";
  }

  private String unique(String name) {
    String n = name;
    for (int i = 2; !names.add(n.toLowerCase(Locale.ROOT)); i++) {
      n = name + " " + i;
    }
    return n;
  }

  /** An outline in millimetres, as text. */
  private static String outline(Polygon p) {
    StringBuilder out = new StringBuilder();
    for (Coordinate c : ((Polygon) p.norm()).getExteriorRing().getCoordinates()) {
      out.append(Math.round(c.x * 1000)).append(',').append(Math.round(c.y * 1000)).append(' ');
    }
    return out.toString();
  }

  /**
   * The space under a roof.
   *
   * @param level of its floor, with what counts as equal, m
   * @param n number of the part of the roof
   */
  Space attic(StoreyPlan s, Origin roof, double level, int n) {
    // it is on the highest storey that begins no higher than its floor
    StoreyPlan on =
        document.storeys().stream()
            .filter(x -> x.level() <= level)
            .max(Comparator.comparingDouble(StoreyPlan::level))
            .orElse(s);
    return Space.of(key(id(s), "roof", String.valueOf(n)))
        .with()
        .name(unique(s.name() + " attic"))
        .storey(storeyKey(on))
        .building(PlanEnvelope.BUILDING)
        .source(new SourceRef("Roof", roof.label(), "", roof.line(), roof.column()))
        .build();
  }
}
