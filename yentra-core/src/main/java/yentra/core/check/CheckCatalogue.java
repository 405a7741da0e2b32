package yentra.core.check;

import java.util.List;

/** All checks, in the order of their codes. */
public final class CheckCatalogue {
  private static final List<Check> CHECKS =
      List.of(
          new MalformedInstance(),
          new UnknownSchema(),
          new DuplicateId(),
          new DanglingReference(),
          new MissingRequired(),
          new BadValue(),
          new UnusedDefinition(),
          new LostOnWriting(),
          new UnitAssumed(),
          new ImplausibleSize(),
          new FarFromOrigin(),
          new SourcesDisagree(),
          new DegeneratePolygon(),
          new OffPlane(),
          new SelfCrossing(),
          new ShortEdge(),
          new SliverSurface(),
          new DuplicateSurface(),
          new CoplanarOverlap(),
          new NotEnclosed(),
          new NoSurfaces(),
          new StatedDiffers(),
          new OverlappingSpaces(),
          new StoreyContradicts(),
          new SpaceName(),
          new SliverSpace(),
          new UncoveredVolume(),
          new InsideOutShell(),
          new ShellDisagrees(),
          new GroupingSpace(),
          new InteriorWithoutPair(),
          new ExteriorBetweenSpaces(),
          new FacingExterior(),
          new TypeAgainstTilt(),
          new TypeAgainstGround(),
          new NormalInward(),
          new SameSpaceTwice(),
          new EnclosedOutdoor(),
          new NoSpace(),
          new ShadingOnSurface(),
          new SidesDiffer(),
          new OtherSideUnknown(),
          new OpeningOffPlane(),
          new OpeningOutside(),
          new OpeningsOverlap(),
          new OpeningAsLarge(),
          new OpeningNotAllowed(),
          new OpeningContradicts(),
          new OpeningWithoutParent(),
          new OpeningLost(),
          new NoConstruction(),
          new EmptyConstruction(),
          new LayerProperty(),
          new ThinLayer(),
          new UValueDiffers(),
          new UValueImplausible(),
          new GlazingMissing(),
          new GlazingOutOfRange(),
          new LayersReversed(),
          new ConstructionMisplaced(),
          new NothingThermal(),
          new LocationMissing(),
          new NorthMissing(),
          new GroundUnknown(),
          new PlaceByDefault(),
          new SpaceConditions(),
          new SetPointsCrossed(),
          new NoZone(),
          new MixedZone(),
          new DuplicateElements(),
          new MissingValue(),
          new RefusedValue(),
          new MissingLayers(),
          new BoundaryAstray(),
          new FirstLevelOnly(),
          new SpaceWithoutBody(),
          new BoundsNothing(),
          new ApproximatedBody());

  private CheckCatalogue() {}

  static List<Check> checks() {
    return CHECKS;
  }

  /** What the checks are. */
  public static List<Descriptor> descriptors() {
    return CHECKS.stream().map(Check::descriptor).toList();
  }

  /**
   * Runs every check, in parallel where that pays.
   *
   * @return the findings in a fixed order: by code, then in the envelope's order
   */
  public static List<Finding> run(CheckContext context) {
    return CheckRun.of(context).findings();
  }
}
