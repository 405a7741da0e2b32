package yentra.core.ifc;

import java.util.HashMap;
import java.util.Map;

/** Entity names in their proper capitals (the files write them in upper case). */
final class IfcNames {
  private static final Map<String, String> PROPER = new HashMap<>();

  static {
    for (String n :
        ("IfcWall IfcWallStandardCase IfcWallElementedCase IfcCurtainWall IfcSlab IfcSlabStandardCase IfcRoof IfcCovering IfcColumn"
                + " IfcBeam IfcPlate IfcMember IfcStair IfcStairFlight IfcRamp IfcRailing IfcDoor IfcDoorStandardCase IfcWindow"
                + " IfcWindowStandardCase IfcOpeningElement IfcOpeningStandardCase IfcVirtualElement IfcBuildingElementProxy"
                + " IfcBuildingElementPart IfcFooting IfcPile IfcSpace IfcSite IfcBuilding IfcBuildingStorey IfcProject IfcZone"
                + " IfcRelSpaceBoundary IfcRelSpaceBoundary1stLevel IfcRelSpaceBoundary2ndLevel IfcFurnishingElement"
                + " IfcExtrudedAreaSolid IfcFacetedBrep IfcAdvancedBrep IfcBooleanResult IfcBooleanClippingResult IfcMappedItem"
                + " IfcHalfSpaceSolid IfcPolygonalBoundedHalfSpace IfcBoundingBox IfcRevolvedAreaSolid IfcSweptDiskSolid"
                + " IfcTriangulatedFaceSet IfcPolygonalFaceSet IfcShellBasedSurfaceModel IfcFaceBasedSurfaceModel IfcTrimmedCurve"
                + " IfcBSplineCurve IfcEllipse IfcLine IfcCircle IfcGridPlacement IfcLinearPlacement IfcGeometricSet"
                + " IfcMaterialLayerSet IfcMaterialLayerSetUsage IfcRelSpaceBoundary")
            .split(" ")) {
      PROPER.put(n.toUpperCase(java.util.Locale.ROOT), n);
    }
  }

  private IfcNames() {}

  static String proper(String upper) {
    String known = PROPER.get(upper);
    if (known != null || !upper.startsWith("IFC") || upper.length() < 4) {
      return known == null ? upper : known;
    }
    return "Ifc" + upper.charAt(3) + upper.substring(4).toLowerCase(java.util.Locale.ROOT);
  }
}
