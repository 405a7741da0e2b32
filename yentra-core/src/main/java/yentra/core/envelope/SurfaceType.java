package yentra.core.envelope;

import java.util.Optional;

/**
 * The surface types of the gbXML schema (simple type {@code surfaceTypeEnum}), and {@link
 * #UNRESOLVED} for a surface whose type the delivery does not say.
 */
public enum SurfaceType {
  INTERIOR_WALL("InteriorWall", "interior wall", Exposure.SPACE),
  EXTERIOR_WALL("ExteriorWall", "exterior wall", Exposure.OUTDOOR),
  ROOF("Roof", "roof", Exposure.OUTDOOR),
  INTERIOR_FLOOR("InteriorFloor", "interior floor", Exposure.SPACE),
  EXPOSED_FLOOR("ExposedFloor", "exposed floor", Exposure.OUTDOOR),
  SHADE("Shade", "shading surface", Exposure.SHADE),
  UNDERGROUND_WALL("UndergroundWall", "underground wall", Exposure.GROUND),
  UNDERGROUND_SLAB("UndergroundSlab", "underground slab", Exposure.GROUND),
  CEILING("Ceiling", "ceiling", Exposure.SPACE),
  AIR("Air", "air boundary", Exposure.NONE),
  UNDERGROUND_CEILING("UndergroundCeiling", "underground ceiling", Exposure.GROUND),
  RAISED_FLOOR("RaisedFloor", "raised floor", Exposure.OUTDOOR),
  SLAB_ON_GRADE("SlabOnGrade", "slab on grade", Exposure.GROUND),
  FREESTANDING_COLUMN("FreestandingColumn", "free-standing column", Exposure.SHADE),
  EMBEDDED_COLUMN("EmbeddedColumn", "embedded column", Exposure.UNRESOLVED),
  UNRESOLVED("", "surface", Exposure.UNRESOLVED);

  private final String gbxml;
  private final String label;
  private final Exposure exposure;

  SurfaceType(String gbxml, String label, Exposure exposure) {
    this.gbxml = gbxml;
    this.label = label;
    this.exposure = exposure;
  }

  /** The literal of the gbXML schema; empty for {@link #UNRESOLVED}. */
  public String gbxml() {
    return gbxml;
  }

  /** The type in words, lower case. */
  public String label() {
    return label;
  }

  /** The type in words with the standard's word beside it: "exterior wall (ExteriorWall)". */
  public String words() {
    return gbxml.isEmpty() ? label : label + " (" + gbxml + ")";
  }

  Exposure exposure() {
    return exposure;
  }

  /** A type that lies between two spaces. */
  public boolean isInterior() {
    return exposure == Exposure.SPACE || this == AIR;
  }

  /** A type that has outdoor air or ground on its other side. */
  public boolean isExterior() {
    return exposure == Exposure.OUTDOOR || exposure == Exposure.GROUND;
  }

  public boolean isGround() {
    return exposure == Exposure.GROUND;
  }

  /** A type that belongs to no space. */
  public boolean isShading() {
    return this == SHADE || this == FREESTANDING_COLUMN;
  }

  public static Optional<SurfaceType> fromGbxml(String name) {
    for (SurfaceType t : values()) {
      if (t != UNRESOLVED && t.gbxml.equals(name)) {
        return Optional.of(t);
      }
    }
    return Optional.empty();
  }
}
