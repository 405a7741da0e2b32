package yentra.core.ifc;

import java.util.HashMap;
import java.util.Locale;
import java.util.Map;

/** Names of value types in their proper capitals; files write them in upper case. */
final class IfcMeasures {
  private static final Map<String, String> PROPER = new HashMap<>();

  static {
    for (String n :
        ("Length PositiveLength NonNegativeLength Area Volume PlaneAngle PositivePlaneAngle Mass Time"
                + " ThermodynamicTemperature Power Energy Force Pressure Frequency Illuminance LuminousFlux"
                + " ThermalTransmittance ThermalConductivity ThermalResistance ThermalAdmittance"
                + " HeatFluxDensity SpecificHeatCapacity MassDensity VolumetricFlowRate MassFlowRate"
                + " LinearVelocity AreaDensity TemperatureRateOfChange VaporPermeability"
                + " MoistureDiffusivity Ratio PositiveRatio NormalisedRatio Count Numeric Monetary"
                + " ElectricVoltage ElectricCurrent SoundPower SoundPressure")
            .split(" ")) {
      PROPER.put("IFC" + n.toUpperCase(Locale.ROOT) + "MEASURE", "Ifc" + n + "Measure");
    }
    for (String n :
        "Label Text Identifier Boolean Logical Integer Real Date DateTime Duration".split(" ")) {
      PROPER.put("IFC" + n.toUpperCase(Locale.ROOT), "Ifc" + n);
    }
  }

  private IfcMeasures() {}

  static String proper(String upper) {
    return PROPER.getOrDefault(upper, upper);
  }
}
