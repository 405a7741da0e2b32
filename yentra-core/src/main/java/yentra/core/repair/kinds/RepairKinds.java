package yentra.core.repair.kinds;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import yentra.core.repair.Several;
import yentra.core.repair.construction.AmendGlazing;
import yentra.core.repair.construction.AmendMaterial;
import yentra.core.repair.construction.AssignConstruction;
import yentra.core.repair.construction.CorrectUValue;
import yentra.core.repair.construction.GiveConstruction;
import yentra.core.repair.construction.GiveGlazing;
import yentra.core.repair.construction.MakeMassless;
import yentra.core.repair.construction.MergeThinLayer;
import yentra.core.repair.construction.ReplaceConstruction;
import yentra.core.repair.construction.ReverseLayers;
import yentra.core.repair.construction.StateUValue;
import yentra.core.repair.delivery.AlignDelivery;
import yentra.core.repair.delivery.MakeIdUnique;
import yentra.core.repair.delivery.PointReference;
import yentra.core.repair.delivery.ReadDecimal;
import yentra.core.repair.delivery.RereadUnit;
import yentra.core.repair.opening.AddOpening;
import yentra.core.repair.opening.CutOpening;
import yentra.core.repair.opening.DeleteOpening;
import yentra.core.repair.opening.GlazeWalls;
import yentra.core.repair.opening.PlaceOpening;
import yentra.core.repair.opening.ReshapeOpening;
import yentra.core.repair.opening.RetypeOpening;
import yentra.core.repair.opening.ShadeOpenings;
import yentra.core.repair.space.AddSpace;
import yentra.core.repair.space.AddSpaces;
import yentra.core.repair.space.AmendSpace;
import yentra.core.repair.space.DeleteSpace;
import yentra.core.repair.space.MergeSpaces;
import yentra.core.repair.space.NameSpaces;
import yentra.core.repair.space.ReverseShell;
import yentra.core.repair.space.SnapVertices;
import yentra.core.repair.space.SplitSpace;
import yentra.core.repair.space.StateFigures;
import yentra.core.repair.space.StateLeakage;
import yentra.core.repair.surface.AbsorbSlivers;
import yentra.core.repair.surface.CleanOutline;
import yentra.core.repair.surface.CloseHole;
import yentra.core.repair.surface.DeleteSurface;
import yentra.core.repair.surface.ExtendSurface;
import yentra.core.repair.surface.MakeAdiabatic;
import yentra.core.repair.surface.MatchFacing;
import yentra.core.repair.surface.MatchSurfaces;
import yentra.core.repair.surface.MergeCoplanar;
import yentra.core.repair.surface.ReshapeSurface;
import yentra.core.repair.surface.RetypeSurface;
import yentra.core.repair.surface.ReverseSurface;
import yentra.core.repair.surface.SetNeighbours;
import yentra.core.repair.surface.SplitSurface;
import yentra.core.repair.surface.StraightenFacets;
import yentra.core.repair.use.AmendSchedule;
import yentra.core.repair.use.AmendZone;
import yentra.core.repair.use.GiveSchedule;
import yentra.core.repair.use.GiveUse;
import yentra.core.repair.use.GiveZone;
import yentra.core.repair.use.TakeRoomData;

/**
 * Every kind of repair, each by the name of its class: the one list of them. It is mixed into
 * {@link yentra.core.repair.Repair} by whoever reads or writes repairs as JSON, since a repair
 * knows no other one.
 */
@JsonSubTypes({
  @JsonSubTypes.Type(ReverseSurface.class),
  @JsonSubTypes.Type(ReverseShell.class),
  @JsonSubTypes.Type(RetypeSurface.class),
  @JsonSubTypes.Type(MakeAdiabatic.class),
  @JsonSubTypes.Type(CutOpening.class),
  @JsonSubTypes.Type(MatchSurfaces.class),
  @JsonSubTypes.Type(CloseHole.class),
  @JsonSubTypes.Type(PlaceOpening.class),
  @JsonSubTypes.Type(StateFigures.class),
  @JsonSubTypes.Type(ReadDecimal.class),
  @JsonSubTypes.Type(DeleteSurface.class),
  @JsonSubTypes.Type(DeleteOpening.class),
  @JsonSubTypes.Type(AssignConstruction.class),
  @JsonSubTypes.Type(AlignDelivery.class),
  @JsonSubTypes.Type(MergeCoplanar.class),
  @JsonSubTypes.Type(MergeSpaces.class),
  @JsonSubTypes.Type(AddSpaces.class),
  @JsonSubTypes.Type(AbsorbSlivers.class),
  @JsonSubTypes.Type(StraightenFacets.class),
  @JsonSubTypes.Type(ReshapeSurface.class),
  @JsonSubTypes.Type(SplitSurface.class),
  @JsonSubTypes.Type(ExtendSurface.class),
  @JsonSubTypes.Type(SetNeighbours.class),
  @JsonSubTypes.Type(SnapVertices.class),
  @JsonSubTypes.Type(SplitSpace.class),
  @JsonSubTypes.Type(AddSpace.class),
  @JsonSubTypes.Type(DeleteSpace.class),
  @JsonSubTypes.Type(AddOpening.class),
  @JsonSubTypes.Type(ReshapeOpening.class),
  @JsonSubTypes.Type(RetypeOpening.class),
  @JsonSubTypes.Type(GlazeWalls.class),
  @JsonSubTypes.Type(NameSpaces.class),
  @JsonSubTypes.Type(MatchFacing.class),
  @JsonSubTypes.Type(CleanOutline.class),
  @JsonSubTypes.Type(RereadUnit.class),
  @JsonSubTypes.Type(Several.class),
  @JsonSubTypes.Type(PointReference.class),
  @JsonSubTypes.Type(MakeIdUnique.class),
  @JsonSubTypes.Type(AmendSpace.class),
  @JsonSubTypes.Type(GiveConstruction.class),
  @JsonSubTypes.Type(ReplaceConstruction.class),
  @JsonSubTypes.Type(AmendMaterial.class),
  @JsonSubTypes.Type(MergeThinLayer.class),
  @JsonSubTypes.Type(MakeMassless.class),
  @JsonSubTypes.Type(ReverseLayers.class),
  @JsonSubTypes.Type(StateUValue.class),
  @JsonSubTypes.Type(GiveGlazing.class),
  @JsonSubTypes.Type(AmendGlazing.class),
  @JsonSubTypes.Type(CorrectUValue.class),
  @JsonSubTypes.Type(GiveUse.class),
  @JsonSubTypes.Type(GiveSchedule.class),
  @JsonSubTypes.Type(AmendSchedule.class),
  @JsonSubTypes.Type(GiveZone.class),
  @JsonSubTypes.Type(AmendZone.class),
  @JsonSubTypes.Type(TakeRoomData.class),
  @JsonSubTypes.Type(ShadeOpenings.class),
  @JsonSubTypes.Type(StateLeakage.class)
})
public interface RepairKinds {}
