package yentra.core.plan;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import yentra.core.envelope.Building;
import yentra.core.envelope.Delivered;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Extras;
import yentra.core.envelope.ReadNote;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Side;
import yentra.core.envelope.Site;
import yentra.core.envelope.SourceRef;
import yentra.core.envelope.StableKeys;
import yentra.core.envelope.Storey;
import yentra.core.envelope.Surface;
import yentra.core.envelope.UnreadableException;
import yentra.core.geometry.Vec3;
import yentra.core.plan.PlanDocument.StoreyPlan;

/**
 * The envelope of a drawn building. Surfaces lie on the drawn lines, without thickness; each knows
 * the outline, line or rule that it came from. The same document gives the same envelope with the
 * same keys; keys of spaces follow from their storey and label, or from their place in a band, or
 * from their outline, so that those that a change does not touch keep theirs.
 */
public final class PlanEnvelope {
  static final String BUILDING = "building-1";

  private PlanEnvelope() {}

  /**
   * Makes the envelope.
   *
   * @param rules what counts as equal, and what by its tilt is a wall
   * @throws UnreadableException when outlines are tangled or volumes lie in one place, with the
   *     place in the document and what to do
   */
  public static Envelope of(PlanDocument document, Rules rules) throws UnreadableException {
    return of(document, rules, document.ground());
  }

  /**
   * Makes the envelope with another ground than the document says.
   *
   * @param groundLevel m; null when it is not known
   */
  public static Envelope of(PlanDocument document, Rules rules, Double groundLevel)
      throws UnreadableException {
    Stacking stacking = Stacking.of(document, rules);
    List<Volume> volumes = stacking.volumes();
    if (volumes.isEmpty()) {
      throw new UnreadableException(
          "floors: no outline encloses a floor. Draw at least one.", 1, 1);
    }
    List<ReadNote> notes = new ArrayList<>(stacking.notes());
    double ground = groundLevel == null ? 0 : groundLevel;
    if (groundLevel == null) {
      notes.add(
          ReadNote.of(ReadNote.Kind.GROUND_ASSUMED, "ground level not stated: 0.00 m assumed"));
    }
    Site site = site(document);
    List<Piece> pieces = new ArrayList<>(Slabs.of(volumes, rules, ground));
    pieces.addAll(Walls.of(volumes, stacking.drawn(), rules, ground, document.tolerance()));
    Map<String, Volume> byKey = new HashMap<>();
    volumes.forEach(v -> byKey.put(v.space().key(), v));
    List<Surface> surfaces = surfaces(pieces, volumes.size());
    surfaces = Glazing.in(surfaces, byKey, document, rules, site, notes);
    List<Surface> all = new ArrayList<>(surfaces);
    all.addAll(ShadeRules.of(document, surfaces, byKey, site));
    notes.addAll(unusedNames(document, volumes));
    return Envelope.of(
        Envelope.Parts.of(Delivered.si(Delivered.PLAN, "1", Vec3.ZERO), site)
            .with()
            .buildings(
                List.of(
                    new Building(
                        BUILDING,
                        document.name().isEmpty() ? "Building" : document.name(),
                        "",
                        null,
                        SourceRef.at("Plan", "", 0, 0),
                        Extras.NONE)))
            .storeys(document.storeys().stream().map(PlanEnvelope::storey).toList())
            .spaces(volumes.stream().map(Volume::space).toList())
            .surfaces(all)
            .notes(notes)
            .build());
  }

  private static Site site(PlanDocument d) {
    PlanDocument.Place p = d.place();
    return new Site(p.name(), p.latitude(), p.longitude(), p.elevation(), p.north(), Extras.NONE);
  }

  private static Storey storey(StoreyPlan s) {
    return new Storey(
        DrawnSpaces.storeyKey(s),
        s.name(),
        s.level(),
        BUILDING,
        new SourceRef(
            "Storey", s.origin().label(), s.name(), s.origin().line(), s.origin().column()),
        Extras.NONE);
  }

  /** The surfaces of each space together, in the order of the spaces. */
  private static List<Surface> surfaces(List<Piece> pieces, int volumes) {
    List<List<Piece>> of = new ArrayList<>();
    for (int i = 0; i < volumes; i++) {
      of.add(new ArrayList<>());
    }
    pieces.forEach(p -> of.get(p.first().number()).add(p));
    StableKeys keys = new StableKeys();
    List<Surface> out = new ArrayList<>();
    for (List<Piece> own : of) {
      for (Piece p : own) {
        out.add(surface(p, keys));
      }
    }
    return out;
  }

  private static Surface surface(Piece p, StableKeys keys) {
    List<Side> sides = new ArrayList<>();
    sides.add(Side.of(p.first().space().key()));
    if (p.second() != null) {
      sides.add(Side.of(p.second().space().key()));
    }
    String key =
        keys.of(
            "surface-",
            p.first().space().key(),
            p.second() == null ? p.type().name() : p.second().space().key(),
            p.source().id());
    return Surface.of(key, p.type(), p.polygon(), p.kind())
        .with()
        .sides(sides)
        .source(p.source())
        .element(p.source())
        .build();
  }

  /** Names of spaces that a rule is for and that no space has. */
  private static List<ReadNote> unusedNames(PlanDocument d, List<Volume> volumes) {
    Set<String> names = new HashSet<>(Set.of("*"));
    volumes.forEach(v -> names.add(v.space().name()));
    List<ReadNote> out = new ArrayList<>();
    d.glazing().forEach(r -> unused(r.origin(), r.where(), names, out));
    d.shading().forEach(r -> unused(r.origin(), r.where(), names, out));
    return out;
  }

  private static void unused(
      PlanDocument.Origin at, PlanDocument.Where where, Set<String> names, List<ReadNote> out) {
    for (String name : where.spaces()) {
      if (!names.contains(name)) {
        out.add(
            ReadNote.of(
                    ReadNote.Kind.LEFT_OUT, at.path() + ".where.spaces: no space is named " + name)
                .on("spaces", name)
                .at(at.line(), at.column()));
      }
    }
  }
}
