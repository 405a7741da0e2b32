package yentra.core.ifc;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import yentra.core.boundary.BoundaryOptions;
import yentra.core.boundary.ConventionShift;
import yentra.core.boundary.DeliveredBoundary;
import yentra.core.boundary.EnclosedVolumes;
import yentra.core.boundary.Ground;
import yentra.core.boundary.Watch;
import yentra.core.envelope.Building;
import yentra.core.envelope.Delivered;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.ReadNote;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Space;
import yentra.core.envelope.Storey;
import yentra.core.envelope.Surface;
import yentra.core.envelope.UnreadableException;
import yentra.core.envelope.Zone;
import yentra.core.geometry.Tolerance;
import yentra.core.model.ArchitecturalModel;
import yentra.core.model.Element;

/**
 * Makes an {@link Envelope} of an IFC model: site, storeys, spaces with their bodies, zones,
 * materials, and second-level space boundaries as delivered. A space without such boundaries gets
 * its body's faces as surfaces that are not resolved. What could not be read or was assumed is in
 * the envelope's notes.
 *
 * <p>Source: ISO 16739 and its predecessor IFC2X3 TC1 (attribute order); ISO 10303-21.
 */
public final class IfcReader {
  private final IfcModel model;
  private final ArchitecturalModel scoped;
  private final Predicate<Element> inScope;
  private final Double groundLevel;
  private final BoundaryOptions options;
  private final Watch watch;
  private final Tolerance tolerance;
  private final IfcConstructions constructions;
  private final IfcNotes notes;

  private IfcReader(
      IfcModel model,
      ArchitecturalModel scoped,
      Double groundLevel,
      BoundaryOptions options,
      Watch watch,
      Tolerance tolerance) {
    this.model = model;
    this.scoped = scoped;
    this.inScope = within(model, scoped);
    this.groundLevel = groundLevel;
    this.options = options;
    this.watch = watch;
    this.tolerance = tolerance;
    this.constructions = new IfcConstructions(model, scoped);
    this.notes = new IfcNotes(model);
  }

  private static Predicate<Element> within(IfcModel model, ArchitecturalModel scoped) {
    return scoped == model ? e -> true : e -> scoped.element(e.key()).isPresent();
  }

  /**
   * Reads the file and makes the envelope in one go, with standard options.
   *
   * @throws UnreadableException when it is no Part 21 file, is cut off, or holds no IFC project
   */
  public static Envelope read(byte[] bytes, ReadLimits limits, Tolerance tolerance)
      throws UnreadableException {
    return read(bytes, limits, BoundaryOptions.STANDARD, tolerance);
  }

  /**
   * The same, with a choice of where the boundaries come from.
   *
   * @throws UnreadableException when it is no Part 21 file, is cut off, or holds no IFC project
   */
  public static Envelope read(
      byte[] bytes, ReadLimits limits, BoundaryOptions options, Tolerance tolerance)
      throws UnreadableException {
    IfcModel model = IfcModel.of(bytes, limits, tolerance);
    return envelope(model, model, null, options, Watch.NONE, tolerance);
  }

  /** The envelope that the model's spaces and their delivered boundaries give. */
  public static Envelope envelope(IfcModel model, Tolerance tolerance) {
    return envelope(model, model, null, BoundaryOptions.STANDARD, Watch.NONE, tolerance);
  }

  /**
   * The envelope that the spaces in scope give. A boundary whose element is out of scope stays,
   * since the space ends there all the same, and is noted.
   *
   * @param scoped the model with what is in scope and the values that were set
   * @param groundLevel in model coordinates, metres; null for what the file says
   * @param options where the boundaries come from
   * @throws java.util.concurrent.CancellationException when the watch gives up
   */
  public static Envelope envelope(
      IfcModel model,
      ArchitecturalModel scoped,
      Double groundLevel,
      BoundaryOptions options,
      Watch watch,
      Tolerance tolerance) {
    return new IfcReader(model, scoped, groundLevel, options, watch, tolerance).envelope();
  }

  /**
   * Volumes that construction in scope encloses and no space covers.
   *
   * @param now the envelope that the same scope gives, with the spaces and storeys that there are
   */
  public static EnclosedVolumes enclosed(
      IfcModel model, ArchitecturalModel scoped, Envelope now, Rules rules) {
    return IfcFoundSpaces.volumes(model, within(model, scoped), now.spaces(), now.storeys(), rules);
  }

  private Rules rules() {
    return new Rules(tolerance, options.derivation().types());
  }

  private Envelope envelope() {
    notes.ofFile();
    IfcStructure structure = new IfcStructure(model, scoped, inScope, notes);
    Building building = structure.building();
    List<Storey> storeys = structure.storeys(building.key());
    List<Zone> zones = structure.zones();
    Map<Integer, IfcBoundaries.BoundedSpace> rooms = new LinkedHashMap<>();
    List<Space> spaces = structure.spaces(building.key(), rooms);
    findSpaces(building, storeys, spaces);
    Ground ground = new IfcGround(model, inScope, groundLevel, notes).ground();
    IfcSpaceSurfaces bounded = surfaces(spaces, rooms, ground);
    List<Zone> conditioned = structure.conditioned(zones);
    structure.sayConditions();
    constructions.say(notes);
    notes.addAll(new IfcConformance(model).notes());
    List<Surface> surfaces =
        new ArrayList<>(
            TowardsUnread.of(
                bounded.surfaces(), spaces, model, TowardsUnread.beside(model, spaces)));
    surfaces.addAll(IfcTerrain.skyline(model, inScope, spaces));
    Envelope inner =
        Envelope.of(
            Envelope.Parts.of(
                    Delivered.si(Delivered.IFC, model.schema(), model.localOrigin()),
                    IfcSite.of(model))
                .with()
                .buildings(List.of(building))
                .storeys(storeys)
                .zones(conditioned)
                .spaces(spaces)
                .surfaces(surfaces)
                .orphans(bounded.orphans())
                .constructions(constructions.constructions())
                .layers(constructions.layers())
                .materials(constructions.materials())
                .glazings(constructions.glazings())
                .notes(notes.all())
                .uncovered(bounded.uncovered())
                .build());
    return shifted(inner).withNotes(notes.all());
  }

  /** Solid constructions get their thickness, and surfaces the place that the convention asks. */
  private Envelope shifted(Envelope inner) {
    IfcThickness.Thickened solid = IfcThickness.of(inner);
    notes.counted(
        solid.count(),
        "construction",
        "constructions",
        " of one material without layers are as thick as their elements");
    ConventionShift.Shifted moved =
        ConventionShift.apply(solid.envelope(), options.convention(), rules());
    moved.notes().forEach(notes::assumed);
    return moved.envelope();
  }

  /** Adds the spaces that construction encloses, where that is asked for. */
  private void findSpaces(Building building, List<Storey> storeys, List<Space> spaces) {
    if (!options.findSpaces() && options.seeds().isEmpty()) {
      return;
    }
    IfcFoundSpaces found =
        IfcFoundSpaces.of(
            IfcFoundSpaces.volumes(model, inScope, spaces, storeys, rules()),
            building.key(),
            options);
    found.notes().forEach(notes::assumed);
    spaces.addAll(found.spaces());
    if (spaces.isEmpty()) {
      notes.add(
          ReadNote.Kind.NO_SPACES,
          found.notes().isEmpty()
              ? "The delivery has no spaces, and its construction encloses none"
              : "The delivery has no spaces, and none were found: "
                  + String.join("; ", found.notes()));
    }
  }

  /** The surfaces of all spaces: delivered boundaries that hold, others derived. */
  private IfcSpaceSurfaces surfaces(
      List<Space> spaces, Map<Integer, IfcBoundaries.BoundedSpace> rooms, Ground ground) {
    IfcBoundaries reader = new IfcBoundaries(model, tolerance);
    List<DeliveredBoundary> boundaries = unique(reader.read(rooms));
    notes.outOfScope(boundaries, inScope);
    IfcSpaceSurfaces bounded =
        new IfcSpaceSurfaces(model, inScope, constructions, options, ground, watch, tolerance);
    bounded.make(spaces, boundaries, reader.firstLevel());
    bounded.notes().forEach(notes::assumed);
    bounded
        .grouping()
        .forEach(
            (key, parts) ->
                notes.add(
                    ReadNote.of(
                            ReadNote.Kind.GROUPING,
                            "the space holds "
                                + parts.size()
                                + " others and is taken for their group: no boundaries are derived for it")
                        .about(key)
                        .times(parts.size())
                        .naming(parts)));
    notes.ofBoundaries(reader, boundaries, bounded.astray());
    return bounded;
  }

  private static List<DeliveredBoundary> unique(List<DeliveredBoundary> boundaries) {
    Set<String> taken = new HashSet<>();
    List<DeliveredBoundary> out = new ArrayList<>();
    for (DeliveredBoundary b : boundaries) {
      String key = b.key();
      for (int i = 2; !taken.add(key); i++) {
        key = b.key() + "-" + i;
      }
      out.add(b.withKey(key));
    }
    return out;
  }
}
