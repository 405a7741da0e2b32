package yentra.core.gbxml;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import yentra.core.units.LengthUnit;
import yentra.core.units.Quantity;

/** Names of the gbXML schema 6.01 against the factors of NIST SP 811, appendix B. */
class GbxmlUnitsTest {
  @ParameterizedTest
  @CsvSource({
    "U_VALUE,WPerSquareMeterK,1",
    "U_VALUE,BtuPerHourSquareFtF,5.67826334111349",
    "RESISTANCE,HrSquareFtFPerBTU,0.176110183682306",
    "CONDUCTIVITY,BtuPerHourFtF,1.73073466637139",
    "CONDUCTIVITY,WPerCmC,100",
    "DENSITY,LbsPerCubicFt,16.0184633739601",
    "DENSITY,LbsPerCubicIn,27679.9047102031",
    "DENSITY,GramsPerCubicCm,1000",
    "SPECIFIC_HEAT,btuperlbf,4186.8",
    "POWER_DENSITY,WattPerSquareFoot,10.7639104167097",
    "HEAT_PER_PERSON,BtuPerHourPerson,0.293071070172222",
    "AREA_PER_PERSON,SquareFtPerPerson,0.09290304",
    "AIR_FLOW,CFM,0.4719474432",
    "AIR_FLOW,CubicMPerHr,0.277777777777778",
    "AIR_FLOW,CubicMPerSec,1000",
    "AIR_FLOW_BY_AREA,CFMPerSquareFoot,5.08"
  })
  void factors(Quantity quantity, String name, double factor) {
    assertThat(GbxmlUnits.unit(quantity, name))
        .hasValueSatisfying(u -> assertThat(u.factor()).isCloseTo(factor, within(factor * 1e-12)));
    assertThat(GbxmlUnits.unit(quantity, GbxmlUnits.si(quantity))).contains(quantity.si());
    assertThat(GbxmlUnits.unit(quantity, "Furlongs")).isEmpty();
  }

  @ParameterizedTest
  @EnumSource
  void lengthsByName(LengthUnit unit) {
    assertThat(GbxmlUnits.length(GbxmlUnits.length(unit))).contains(unit);
    assertThat(GbxmlUnits.area(GbxmlUnits.area(unit))).contains(unit);
    assertThat(GbxmlUnits.volume(GbxmlUnits.volume(unit))).contains(unit);
    assertThat(GbxmlUnits.area(GbxmlUnits.volume(unit))).isEmpty();
  }

  @Test
  void theStandardsNames() {
    assertThat(GbxmlUnits.length("Feet")).contains(LengthUnit.FOOT);
    assertThat(GbxmlUnits.area("SquareFeet")).contains(LengthUnit.FOOT);
    assertThat(GbxmlUnits.volume("CubicFeet")).contains(LengthUnit.FOOT);
    assertThat(GbxmlUnits.length("Furlongs")).isEmpty();
  }
}
