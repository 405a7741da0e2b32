package yentra.core.units;

import java.util.Optional;

/**
 * Units of length with their exact size in metres. The constants' labels are gbXML's names; areas
 * and volumes of the standard are the same units squared and cubed.
 *
 * <p>Source: international yard and pound agreement of 1959 (1 ft = 0.3048 m); ISO 80000-3.
 */
public enum LengthUnit {
  KILOMETRE("Kilometers", "km", 1000),
  METRE("Meters", "m", 1),
  CENTIMETRE("Centimeters", "cm", 0.01),
  MILLIMETRE("Millimeters", "mm", 0.001),
  MILE("Miles", "mi", 1609.344),
  YARD("Yards", "yd", 0.9144),
  FOOT("Feet", "ft", 0.3048),
  INCH("Inches", "in", 0.0254);

  private final String gbxml;
  private final String symbol;
  private final double metres;

  LengthUnit(String gbxml, String symbol, double metres) {
    this.gbxml = gbxml;
    this.symbol = symbol;
    this.metres = metres;
  }

  public String gbxml() {
    return gbxml;
  }

  public String symbol() {
    return symbol;
  }

  public double metres() {
    return metres;
  }

  public double squareMetres() {
    return metres * metres;
  }

  public double cubicMetres() {
    return metres * metres * metres;
  }

  public static Optional<LengthUnit> fromGbxml(String name) {
    for (LengthUnit u : values()) {
      if (u.gbxml.equalsIgnoreCase(name)) {
        return Optional.of(u);
      }
    }
    return Optional.empty();
  }

  /** The unit that gbXML writes as {@code Square…}, such as {@code SquareFeet}. */
  public static Optional<LengthUnit> fromGbxmlArea(String name) {
    return prefixed(name, "Square");
  }

  /** The unit that gbXML writes as {@code Cubic…}, such as {@code CubicFeet}. */
  public static Optional<LengthUnit> fromGbxmlVolume(String name) {
    return prefixed(name, "Cubic");
  }

  private static Optional<LengthUnit> prefixed(String name, String prefix) {
    return name.startsWith(prefix) ? fromGbxml(name.substring(prefix.length())) : Optional.empty();
  }
}
