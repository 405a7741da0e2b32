package yentra.core.model;

import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import yentra.core.units.Quantity;

/**
 * Which quantity a property value of a measure type is, as IFC names the types (ISO 16739, schema
 * IfcMeasureResource); values of all other types are plain numbers.
 */
public final class Measures {
  private static final Map<String, Quantity> QUANTITIES = new HashMap<>();

  static {
    of(Quantity.LENGTH, "Length", "PositiveLength", "NonNegativeLength");
    of(Quantity.AREA, "Area");
    of(Quantity.VOLUME, "Volume");
    of(Quantity.ANGLE, "PlaneAngle", "PositivePlaneAngle");
    of(Quantity.MASS, "Mass");
    of(Quantity.TIME, "Time");
    of(Quantity.TEMPERATURE, "ThermodynamicTemperature");
    of(Quantity.POWER, "Power");
    of(Quantity.ENERGY, "Energy");
    of(Quantity.FORCE, "Force");
    of(Quantity.PRESSURE, "Pressure");
    of(Quantity.FREQUENCY, "Frequency");
    of(Quantity.ILLUMINANCE, "Illuminance");
    of(Quantity.LUMINOUS_FLUX, "LuminousFlux");
    of(Quantity.U_VALUE, "ThermalTransmittance", "ThermalAdmittance");
    of(Quantity.CONDUCTIVITY, "ThermalConductivity");
    of(Quantity.RESISTANCE, "ThermalResistance");
    of(Quantity.POWER_DENSITY, "HeatFluxDensity");
    of(Quantity.SPECIFIC_HEAT, "SpecificHeatCapacity");
    of(Quantity.DENSITY, "MassDensity");
    of(Quantity.VOLUME_FLOW_RATE, "VolumetricFlowRate");
    of(Quantity.MASS_FLOW_RATE, "MassFlowRate");
    of(Quantity.SPEED, "LinearVelocity");
    of(Quantity.AREA_DENSITY, "AreaDensity");
    of(Quantity.TEMPERATURE_RATE, "TemperatureRateOfChange");
    of(Quantity.VAPOUR_PERMEABILITY, "VaporPermeability");
    of(Quantity.MOISTURE_DIFFUSIVITY, "MoistureDiffusivity");
  }

  private Measures() {}

  private static void of(Quantity quantity, String... measures) {
    for (String measure : measures) {
      QUANTITIES.put(("Ifc" + measure + "Measure").toUpperCase(Locale.ROOT), quantity);
    }
  }

  /** The quantity of a measure type, in any capitals; empty for a plain number. */
  public static Optional<Quantity> quantity(String type) {
    return Optional.ofNullable(QUANTITIES.get(type.toUpperCase(Locale.ROOT)));
  }

  /** The symbol of the SI unit that values of a type are in; an empty string for plain numbers. */
  public static String si(String type) {
    return quantity(type).map(q -> q.si().symbol()).orElse("");
  }
}
