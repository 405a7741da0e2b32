package yentra.core.units;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** Exact factors: NIST SP 811 appendix B; ISO 80000-5 (Btu of the International Table). */
class UnitsTest {
  @ParameterizedTest
  @CsvSource({
    "LENGTH,ft,0.3048",
    "LENGTH,IN,0.0254",
    "LENGTH,cm,0.01",
    "DISTANCE,mi,1.609344",
    "THICKNESS,in,25.4",
    "AREA,ft2,0.09290304",
    "AREA,sf,0.09290304",
    "VOLUME,ft³,0.028316846592",
    "ANGLE,deg,0.0174532925199433",
    "SPEED,ft/s,0.3048",
    "TEMPERATURE_DIFFERENCE,°F,0.555555555555556",
    "POWER,Btu/h,0.293071070172222",
    "SHARE,%,0.01",
    "U_VALUE,Btu/(h ft² F),5.67826334111349",
    "U_VALUE,W/(m2K),1",
    "RESISTANCE,h ft² F/Btu,0.176110183682306",
    "CONDUCTIVITY,Btu in/(h ft² F),0.144227888864282",
    "CONDUCTIVITY,Btu/(h ft F),1.73073466637139",
    "CONDUCTIVITY,W/cmK,100",
    "LINEAR_TRANSMITTANCE,Btu/(h ft F),1.73073466637139",
    "DENSITY,lb/ft³,16.0184633739601",
    "DENSITY,lb/in3,27679.9047102031",
    "DENSITY,g/cm³,1000",
    "SPECIFIC_HEAT,Btu/(lb F),4186.8",
    "HEAT_CAPACITY,Btu/(ft² F),20.4417480280086",
    "HEAT_LOSS,Btu/(h F),0.527527926310000",
    "POWER_DENSITY,W/ft²,10.7639104167097",
    "HEAT_PER_PERSON,Btu/(h person),0.293071070172222",
    "AREA_PER_PERSON,ft²/person,0.09290304",
    "AIR_FLOW,cfm,0.4719474432",
    "AIR_FLOW,m³/h,0.277777777777778",
    "AIR_FLOW_BY_AREA,cfm/ft²,5.08",
    "VOLUME_FLOW_RATE,l/s,0.001"
  })
  void exactFactors(Quantity quantity, String unit, double factor) {
    assertThat(quantity.unit(unit))
        .hasValueSatisfying(u -> assertThat(u.factor()).isCloseTo(factor, within(factor * 1e-12)))
        .hasValueSatisfying(u -> assertThat(u.fromSi(u.toSi(7.5))).isCloseTo(7.5, within(1e-12)));
  }

  @ParameterizedTest
  @EnumSource
  void theUnitThatIsKeptIsOne(Quantity quantity) {
    assertThat(quantity.si().factor()).isOne();
    assertThat(quantity.si().shift()).isZero();
    assertThat(quantity.unit(quantity.si().symbol())).contains(quantity.si());
    assertThat(quantity.unit(quantity.imperial().symbol())).contains(quantity.imperial());
    assertThat(quantity.unit("furlong")).isEmpty();
    assertThat(quantity.unit("").isPresent()).isEqualTo(quantity == Quantity.SHARE);
  }

  /** A person who writes a unit must not be taken for meaning another of the same quantity. */
  @ParameterizedTest
  @EnumSource
  void noSpellingMeansTwoUnits(Quantity quantity) {
    List<String> all = new ArrayList<>();
    for (Unit u : quantity.units()) {
      all.add(u.symbol().toLowerCase(Locale.ROOT));
      u.spellings().forEach(s -> all.add(s.toLowerCase(Locale.ROOT)));
    }
    assertThat(all).doesNotHaveDuplicates();
  }

  @ParameterizedTest
  @CsvSource({"-40,°F,-40", "68,°F,20", "0,K,-273.15", "527.67,°R,20", "21,°C,21"})
  void temperatures(double value, String unit, double celsius) {
    Unit u = Quantity.TEMPERATURE.unit(unit).orElseThrow();
    assertThat(u.toSi(value)).isCloseTo(celsius, within(1e-9));
    assertThat(u.fromSi(celsius)).isCloseTo(value, within(1e-9));
  }

  /** ISO 80000-3; international yard and pound agreement of 1959. */
  @Test
  void everyUnitOfLengthHasItsExactSize() {
    assertThat(LengthUnit.values())
        .extracting(LengthUnit::metres)
        .containsExactly(1000.0, 1.0, 0.01, 0.001, 1609.344, 0.9144, 0.3048, 0.0254);
    assertThat(LengthUnit.CENTIMETRE.squareMetres()).isCloseTo(1e-4, within(1e-18));
    assertThat(LengthUnit.CENTIMETRE.cubicMetres()).isCloseTo(1e-6, within(1e-20));
    assertThat(LengthUnit.FOOT.squareMetres()).isCloseTo(0.09290304, within(1e-15));
    assertThat(LengthUnit.FOOT.cubicMetres()).isCloseTo(0.028316846592, within(1e-15));
  }
}
