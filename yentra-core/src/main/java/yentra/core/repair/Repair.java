package yentra.core.repair;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Rules;

/**
 * One change to an envelope: a pure function, serialisable as JSON by its kind and fields, so that
 * it can be logged and replayed. Objects are named by their keys.
 */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
  @JsonSubTypes.Type(value = ReverseSurface.class, name = "ReverseSurface"),
  @JsonSubTypes.Type(value = ReverseShell.class, name = "ReverseShell"),
  @JsonSubTypes.Type(value = RetypeSurface.class, name = "RetypeSurface"),
  @JsonSubTypes.Type(value = MakeAdiabatic.class, name = "MakeAdiabatic"),
  @JsonSubTypes.Type(value = CutOpening.class, name = "CutOpening"),
  @JsonSubTypes.Type(value = MatchSurfaces.class, name = "MatchSurfaces"),
  @JsonSubTypes.Type(value = CloseHole.class, name = "CloseHole"),
  @JsonSubTypes.Type(value = DeleteSurface.class, name = "DeleteSurface"),
  @JsonSubTypes.Type(value = DeleteOpening.class, name = "DeleteOpening"),
  @JsonSubTypes.Type(value = AssignConstruction.class, name = "AssignConstruction"),
  @JsonSubTypes.Type(value = AlignDelivery.class, name = "AlignDelivery"),
  @JsonSubTypes.Type(value = MergeCoplanar.class, name = "MergeCoplanar"),
  @JsonSubTypes.Type(value = MergeSpaces.class, name = "MergeSpaces"),
  @JsonSubTypes.Type(value = AddSpaces.class, name = "AddSpaces"),
  @JsonSubTypes.Type(value = AbsorbSlivers.class, name = "AbsorbSlivers"),
  @JsonSubTypes.Type(value = StraightenFacets.class, name = "StraightenFacets"),
  @JsonSubTypes.Type(value = ReshapeSurface.class, name = "ReshapeSurface"),
  @JsonSubTypes.Type(value = SplitSurface.class, name = "SplitSurface"),
  @JsonSubTypes.Type(value = ExtendSurface.class, name = "ExtendSurface"),
  @JsonSubTypes.Type(value = SetNeighbours.class, name = "SetNeighbours"),
  @JsonSubTypes.Type(value = SnapVertices.class, name = "SnapVertices"),
  @JsonSubTypes.Type(value = SplitSpace.class, name = "SplitSpace"),
  @JsonSubTypes.Type(value = AddSpace.class, name = "AddSpace"),
  @JsonSubTypes.Type(value = DeleteSpace.class, name = "DeleteSpace"),
  @JsonSubTypes.Type(value = AddOpening.class, name = "AddOpening"),
  @JsonSubTypes.Type(value = ReshapeOpening.class, name = "ReshapeOpening"),
  @JsonSubTypes.Type(value = RetypeOpening.class, name = "RetypeOpening"),
  @JsonSubTypes.Type(value = GlazeWalls.class, name = "GlazeWalls"),
  @JsonSubTypes.Type(value = NameSpaces.class, name = "NameSpaces"),
  @JsonSubTypes.Type(value = MatchFacing.class, name = "MatchFacing"),
  @JsonSubTypes.Type(value = CleanOutline.class, name = "CleanOutline"),
  @JsonSubTypes.Type(value = RereadUnit.class, name = "RereadUnit"),
  @JsonSubTypes.Type(value = Several.class, name = "Several"),
  @JsonSubTypes.Type(value = PointReference.class, name = "PointReference"),
  @JsonSubTypes.Type(value = MakeIdUnique.class, name = "MakeIdUnique"),
  @JsonSubTypes.Type(value = AmendSpace.class, name = "AmendSpace"),
  @JsonSubTypes.Type(value = GiveConstruction.class, name = "GiveConstruction"),
  @JsonSubTypes.Type(value = ReplaceConstruction.class, name = "ReplaceConstruction"),
  @JsonSubTypes.Type(value = AmendMaterial.class, name = "AmendMaterial"),
  @JsonSubTypes.Type(value = MergeThinLayer.class, name = "MergeThinLayer"),
  @JsonSubTypes.Type(value = MakeMassless.class, name = "MakeMassless"),
  @JsonSubTypes.Type(value = ReverseLayers.class, name = "ReverseLayers"),
  @JsonSubTypes.Type(value = StateUValue.class, name = "StateUValue"),
  @JsonSubTypes.Type(value = GiveGlazing.class, name = "GiveGlazing"),
  @JsonSubTypes.Type(value = AmendGlazing.class, name = "AmendGlazing"),
  @JsonSubTypes.Type(value = CorrectUValue.class, name = "CorrectUValue"),
  @JsonSubTypes.Type(value = GiveUse.class, name = "GiveUse"),
  @JsonSubTypes.Type(value = GiveSchedule.class, name = "GiveSchedule"),
  @JsonSubTypes.Type(value = AmendSchedule.class, name = "AmendSchedule"),
  @JsonSubTypes.Type(value = GiveZone.class, name = "GiveZone"),
  @JsonSubTypes.Type(value = AmendZone.class, name = "AmendZone"),
  @JsonSubTypes.Type(value = TakeRoomData.class, name = "TakeRoomData")
})
public sealed interface Repair
    permits ReverseSurface,
        ReverseShell,
        RetypeSurface,
        MakeAdiabatic,
        CutOpening,
        MatchSurfaces,
        CloseHole,
        DeleteSurface,
        DeleteOpening,
        AssignConstruction,
        AlignDelivery,
        MergeCoplanar,
        MergeSpaces,
        AddSpaces,
        AbsorbSlivers,
        StraightenFacets,
        ReshapeSurface,
        SplitSurface,
        ExtendSurface,
        SetNeighbours,
        SnapVertices,
        SplitSpace,
        AddSpace,
        DeleteSpace,
        AddOpening,
        ReshapeOpening,
        RetypeOpening,
        GlazeWalls,
        NameSpaces,
        MatchFacing,
        CleanOutline,
        RereadUnit,
        Several,
        PointReference,
        MakeIdUnique,
        AmendSpace,
        GiveConstruction,
        ReplaceConstruction,
        AmendMaterial,
        MergeThinLayer,
        MakeMassless,
        ReverseLayers,
        StateUValue,
        GiveGlazing,
        AmendGlazing,
        CorrectUValue,
        GiveUse,
        GiveSchedule,
        AmendSchedule,
        GiveZone,
        AmendZone,
        TakeRoomData {
  /**
   * The envelope with this change.
   *
   * @throws NotApplicableException when an object is gone, or the change makes no sense there
   */
  Envelope apply(Envelope envelope, Rules rules) throws NotApplicableException;

  /**
   * What it does, in a sentence for a person.
   *
   * @param before the envelope as it was, in whose terms it is told
   * @param after what {@link #apply} made of it
   */
  String describe(Envelope before, Envelope after, Naming naming);

  /** The change and the sentence, the work done once. */
  default Made make(Envelope before, Rules rules, Naming naming) throws NotApplicableException {
    Envelope after = apply(before, rules);
    return new Made(after, describe(before, after, naming));
  }

  /** What a repair made, and what it did. */
  record Made(Envelope envelope, String summary) {}

  /**
   * The same repair without what it says that is so already: all that is left is what it changes,
   * on any other state as well.
   */
  default Repair effective(Envelope before) {
    return this;
  }
}
