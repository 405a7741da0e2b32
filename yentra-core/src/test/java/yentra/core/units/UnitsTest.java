package yentra.core.units;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Exact factors: NIST SP 811 appendix B; ISO 80000-5 (Btu of the International Table). */
class UnitsTest {
  @ParameterizedTest
  @CsvSource({
    "U_VALUE,BtuPerHourSquareFtF,5.67826334111349",
    "R_VALUE,HrSquareFtFPerBTU,0.176110183682306",
    "CONDUCTIVITY,BtuPerHourFtF,1.73073466637139",
    "CONDUCTIVITY,WPerCmC,100",
    "DENSITY,LbsPerCubicFt,16.0184633739601",
    "DENSITY,GramsPerCubicCm,1000",
    "SPECIFIC_HEAT,BTUPerLbF,4186.8",
    "POWER_DENSITY,WattPerSquareFoot,10.7639104167097",
    "HEAT_PER_PERSON,BtuPerHourPerson,0.293071070172222",
    "AREA_PER_PERSON,SquareFtPerPerson,0.09290304",
    "FLOW,CFM,0.4719474432",
    "FLOW,CubicMPerHr,0.277777777777778",
    "FLOW_PER_AREA,CFMPerSquareFoot,5.08"
  })
  void thermalFactors(ThermalUnit.Quantity quantity, String unit, double factor) {
    assertThat(quantity.factor(unit))
        .hasValueSatisfying(f -> assertThat(f).isCloseTo(factor, within(factor * 1e-12)));
    assertThat(quantity.factor(quantity.si())).contains(1.0);
    assertThat(quantity.factor("Furlongs")).isEmpty();
  }

  @Test
  void lengths() {
    assertThat(LengthUnit.fromGbxml("Feet")).contains(LengthUnit.FOOT);
    assertThat(LengthUnit.fromGbxmlArea("SquareFeet").orElseThrow().squareMetres())
        .isCloseTo(0.09290304, within(1e-15));
    assertThat(LengthUnit.fromGbxmlVolume("CubicFeet").orElseThrow().cubicMetres())
        .isCloseTo(0.028316846592, within(1e-15));
    assertThat(LengthUnit.fromGbxmlArea("CubicFeet")).isEmpty();
  }

  @ParameterizedTest
  @CsvSource({"-40,F,-40", "68,F,20", "0,K,-273.15", "527.67,R,20", "21,C,21"})
  void temperatures(double value, String unit, double celsius) {
    assertThat(ThermalUnit.celsius(value, unit))
        .hasValueSatisfying(c -> assertThat(c).isCloseTo(celsius, within(1e-9)));
    assertThat(ThermalUnit.fromCelsius(celsius, unit)).isCloseTo(value, within(1e-9));
  }

  /** ISO 80000-3; international yard and pound agreement of 1959. */
  @Test
  void everyUnitOfLengthHasItsExactSize() {
    assertThat(LengthUnit.values())
        .extracting(LengthUnit::metres)
        .containsExactly(1000.0, 1.0, 0.01, 0.001, 1609.344, 0.9144, 0.3048, 0.0254);
    assertThat(LengthUnit.CENTIMETRE.squareMetres()).isCloseTo(1e-4, within(1e-18));
    assertThat(LengthUnit.CENTIMETRE.cubicMetres()).isCloseTo(1e-6, within(1e-20));
  }
}
