package yentra.core.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import yentra.core.Fixtures;
import yentra.core.finding.Finding;

/** Materials, glazing, uses and zones, each broken in the written file and read again. */
class ThermalChecksTest {
  private static final String SOUND =
      new String(Fixtures.write(Fixtures.rooms()), StandardCharsets.UTF_8);

  private static List<Finding> check(String xml) throws Exception {
    return Fixtures.check(Fixtures.read(xml)).stream()
        .filter(f -> !f.code().equals("LOC-803"))
        .toList();
  }

  private static List<Finding> with(String sound, String broken) throws Exception {
    assertThat(SOUND).contains(sound);
    return check(SOUND.replace(sound, broken));
  }

  private static Finding only(String code, List<Finding> list) {
    assertThat(list).extracting(Finding::code).containsExactly(code);
    return list.get(0);
  }

  @Test
  void theSoundFileHasNone() throws Exception {
    assertThat(check(SOUND)).isEmpty();
  }

  @Test
  void aLayerThicknessInTheWrongUnit() throws Exception {
    Finding f =
        only("THM-703", with("<Thickness unit=\"Meters\">0.3<", "<Thickness unit=\"Meters\">300<"));
    assertThat(f.measured()).isEqualTo(300);
    assertThat(f.objects()).contains("mat-1");
  }

  @Test
  void aLayerWithoutConductivity() throws Exception {
    Finding f = only("THM-703", check(SOUND.replaceAll("<Conductivity.*</Conductivity>\\s*", "")));
    assertThat(f.message()).contains("Brick").contains("neither a resistance nor a conductivity");
  }

  @Test
  void aFoilAndAThinPartition() throws Exception {
    // 8 mm of brick: too thin as a whole, but no thin layer
    Finding f =
        with("<Thickness unit=\"Meters\">0.3<", "<Thickness unit=\"Meters\">0.008<").stream()
            .filter(x -> x.code().equals("THM-704"))
            .findFirst()
            .orElseThrow();
    assertThat(f.measured()).isCloseTo(0.008, within(1e-9));
    assertThat(f.objects()).contains("con-1", "between");
    assertThat(
            with("<Thickness unit=\"Meters\">0.3<", "<Thickness unit=\"Meters\">0.0005<").stream()
                .filter(x -> x.code().equals("THM-704"))
                .map(x -> x.objects().get(0)))
        .containsExactly("mat-1", "con-1");
  }

  @Test
  void aStatedUValueThatFitsWithOrWithoutAirIsNoFault() throws Exception {
    // 0.3 m of 0.8 W/mK: R = 0.375; with 0.13 and 0.04 U = 1.835, without 2.667
    String at = "<Name>Brick wall</Name>";
    String u = at + "<U-value unit=\"WPerSquareMeterK\">%s</U-value>";
    assertThat(with(at, u.formatted("1.84"))).isEmpty();
    assertThat(with(at, u.formatted("2.67"))).isEmpty();
    Finding f = only("THM-705", with(at, u.formatted("1.2")));
    assertThat(f.measured()).isBetween(20.0, 40.0);
    assertThat(f.unit()).isEqualTo("%");
  }

  @Test
  void aUValueThatNoWallHas() throws Exception {
    String at = "<Name>Brick wall</Name>";
    assertThat(with(at, at + "<U-value unit=\"WPerSquareMeterK\">8.5</U-value>"))
        .extracting(Finding::code)
        .contains("THM-706");
  }

  @Test
  void windowsWithoutAType() throws Exception {
    Finding f =
        only(
            "THM-707",
            check(
                SOUND
                    .replace(" windowTypeIdRef=\"glass-1\"", "")
                    .replaceAll("(?s)<WindowType.*</WindowType>\\s*", "")));
    assertThat(f.objects()).containsExactly("win");
    Finding g =
        only("THM-707", check(SOUND.replaceAll("<SolarHeatGainCoeff.*</SolarHeatGainCoeff>", "")));
    assertThat(g.message()).contains("Double glazing").contains("no solar heat gain coefficient");
    assertThat(g.objects()).containsExactly("glass-1", "win");
  }

  @Test
  void sunAndLightWithinReason() throws Exception {
    assertThat(only("THM-708", with(">0.55<", ">1.4<")).measured()).isEqualTo(1.4);
    assertThat(only("THM-708", with(">0.75<", ">0<")).limit()).isZero();
    assertThat(only("THM-708", with(">1.3<", ">13<")).unit()).isEqualTo("W/m2K");
    // shares in percent are shares all the same
    assertThat(
            check(
                SOUND.replaceAll(
                    "<SolarHeatGainCoeff unit=\"Fraction\"([^>]*)>0.55",
                    "<SolarHeatGainCoeff unit=\"Percent\"$1>55")))
        .isEmpty();
  }

  @Test
  void layersInReverse() throws Exception {
    String extra =
        "<Construction id=\"con-2\"><Name>Turned</Name><LayerId layerIdRef=\"lay-2\"/></Construction>"
            + "<Construction id=\"con-3\"><Name>Right</Name><LayerId layerIdRef=\"lay-3\"/></Construction>"
            + "<Layer id=\"lay-2\"><MaterialId materialIdRef=\"mat-2\"/><MaterialId materialIdRef=\"mat-1\"/></Layer>"
            + "<Layer id=\"lay-3\"><MaterialId materialIdRef=\"mat-1\"/><MaterialId materialIdRef=\"mat-2\"/></Layer>"
            + "<Material id=\"mat-2\"><Name>Wool</Name><R-value unit=\"SquareMeterKPerW\">3</R-value></Material>";
    String xml =
        SOUND
            .replace("<Construction id=\"con-1\"", extra + "<Construction id=\"con-1\"")
            .replaceAll("(id=\"[ab]-(?:north|south)\"[^>]*)\"con-1\"", "$1\"con-3\"")
            .replaceAll("(id=\"a-west\"[^>]*)\"con-1\"", "$1\"con-2\"");
    Finding f =
        check(xml).stream().filter(x -> x.code().equals("THM-709")).findFirst().orElseThrow();
    assertThat(f.objects()).containsExactly("con-2", "a-west");
    assertThat(f.message()).contains("Turned").contains("those of Right in reverse");
  }

  @Test
  void aFacadeAsPartition() throws Exception {
    // partitions elsewhere have a construction of their own
    String extra =
        "<Construction id=\"con-2\"><Name>Partition</Name><LayerId layerIdRef=\"lay-1\"/></Construction>";
    String own =
        SOUND
            .replace("<Construction id=\"con-1\"", extra + "<Construction id=\"con-1\"")
            .replaceAll("(id=\"between\"[^>]*)\"con-1\"", "$1\"con-2\"");
    assertThat(check(own)).isEmpty();
    Finding f =
        check(own.replaceAll("(id=\"b-east\"[^>]*)\"con-1\"", "$1\"con-2\"")).stream()
            .filter(x -> x.code().equals("THM-710"))
            .findFirst()
            .orElse(null);
    // half of its area is outside: nobody can tell where it belongs
    assertThat(f).isNull();
    // one construction for everything is no fault
    assertThat(check(SOUND)).isEmpty();
  }

  @Test
  void usesZonesAndSetPoints() throws Exception {
    assertThat(
            only("USE-902", with("<DesignHeatT unit=\"C\">20<", "<DesignHeatT unit=\"C\">28<"))
                .measured())
        .isEqualTo(2);
    assertThat(check(SOUND.replaceAll("<DesignHeatT.*</DesignHeatT>\\s*", "")))
        .extracting(Finding::code)
        .containsExactly("USE-901", "USE-901");
    // a heated space in no zone has no set-points
    assertThat(check(SOUND.replaceFirst(" zoneIdRef=\"z-1\"", "")))
        .extracting(Finding::code)
        .containsExactly("USE-901", "USE-903");
    // where none has one it is said once
    assertThat(
            check(
                SOUND.replace(" zoneIdRef=\"z-1\"", "").replaceAll("(?s)<Zone .*</Zone>\\s*", "")))
        .hasSize(2)
        .allSatisfy(f -> assertThat(f.objects()).hasSize(2));
    assertThat(check(SOUND.replaceFirst("\"Heated\"", "\"Unconditioned\"")))
        .extracting(Finding::code)
        .containsExactly("USE-904");
    assertThat(check(SOUND.replaceFirst(" spaceType=\"[^\"]*\"", "")))
        .extracting(Finding::code)
        .containsExactly("USE-901");
  }

  @Test
  void withoutAGroundLevelGroundIsAGuess() throws Exception {
    assertThat(Fixtures.codes(Fixtures.read(SOUND))).containsExactly("LOC-803");
  }
}
