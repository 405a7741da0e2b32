package yentra.core.library;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;
import static org.assertj.core.api.Assertions.within;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import yentra.core.library.Library.LibraryMaterial;
import yentra.core.library.LibraryComparison.Imported;
import yentra.core.library.LibraryComparison.Status;
import yentra.core.library.LibraryFile.Fault;
import yentra.core.thermal.GlassUnit;

class LibraryTest {
  private static final Library SHIPPED = Library.shipped();

  private static LibraryFile csv(String text) {
    return LibraryFile.read("own.csv", text.getBytes(StandardCharsets.UTF_8), SHIPPED);
  }

  @Test
  void whatShipsNamesItsSources() {
    assertThat(SHIPPED.materials()).hasSizeGreaterThanOrEqualTo(60);
    assertThat(SHIPPED.constructions().size() + SHIPPED.glazings().size())
        .isGreaterThanOrEqualTo(40);
    assertThat(SHIPPED.items()).allSatisfy(i -> assertThat(i.source()).isNotBlank());
    assertThat(SHIPPED.constructions())
        .allSatisfy(
            c ->
                assertThat(c.layers())
                    .allSatisfy(l -> assertThat(SHIPPED.material(l.material())).isPresent()));
  }

  /** Written by library.py beside them, apart from this code. */
  private static Stream<Arguments> reference(String file) throws IOException {
    try (InputStream in = LibraryTest.class.getResourceAsStream("/reference/" + file)) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8)
          .lines().map(l -> Arguments.of((Object[]) l.split(";"))).toList().stream();
    }
  }

  static Stream<Arguments> materials() throws IOException {
    return reference("library-materials.csv");
  }

  /** All of ISO 10456:2007, tables 3 and 4, CIBSE Guide A, common practice (from memory). */
  @ParameterizedTest
  @MethodSource
  void materials(String name, double conductivity, double density, double heat) {
    LibraryMaterial m = SHIPPED.material(name).orElseThrow();
    assertThat(m.conductivity()).isEqualTo(conductivity);
    assertThat(m.density()).isEqualTo(density);
    assertThat(m.specificHeat()).isEqualTo(heat);
  }

  static Stream<Arguments> windows() throws IOException {
    return reference("library-windows.csv");
  }

  /** All windows: ISO 10077-1 for 1.23 m by 1.48 m, glass by EN 673, g and light of the whole. */
  @ParameterizedTest
  @MethodSource
  void windows(String name, double glass, double u, double gain, double light) {
    Library.LibraryGlazing w = SHIPPED.glazing(name).orElseThrow();
    assertThat(w.uValue()).isCloseTo(u, within(0.0051));
    assertThat(w.solarHeatGain()).isCloseTo(gain, within(0.00051));
    assertThat(w.visibleTransmittance()).isCloseTo(light, within(0.00051));
    assertThat(w.source())
        .contains(
            "Ug "
                + new java.math.BigDecimal(glass)
                    .round(new java.math.MathContext(3))
                    .stripTrailingZeros()
                    .toPlainString());
    // only these are in table G.2 of ISO 13790
    boolean inTable = w.source().contains("table G.2");
    double ofGlass =
        Double.parseDouble(w.source().replaceFirst(".*g of the glass ([0-9.]+):.*", "$1"));
    assertThat(inTable).isEqualTo(List.of(0.85, 0.75, 0.67, 0.7, 0.5).contains(ofGlass));
  }

  static Stream<Arguments> constructions() throws IOException {
    return reference("library-constructions.csv");
  }

  /** All constructions where they are meant to be: ISO 6946, studs and rafters included. */
  @ParameterizedTest
  @MethodSource
  void constructions(String name, double u) {
    assertThat(SHIPPED.uValue(SHIPPED.construction(name).orElseThrow()).orElseThrow())
        .isCloseTo(u, within(6e-10));
  }

  @Test
  void everyEntryIsHeldAgainstItsSource() throws IOException {
    long gaps = SHIPPED.materials().stream().filter(m -> m.conductivity() == null).count();
    assertThat(materials().count() + gaps).isEqualTo(SHIPPED.materials().size());
    assertThat(windows().count()).isEqualTo(SHIPPED.glazings().size());
    assertThat(constructions().count()).isEqualTo(SHIPPED.constructions().size());
  }

  /** Layers of gas by EN 673, as the library says them. */
  @ParameterizedTest
  @CsvSource({
    "'Gas gap, air, 12 mm', AIR, 1, 12, 0.837",
    "'Gas gap, air, 16 mm', AIR, 1, 16, 0.837",
    "'Gas gap, argon 90 %, 16 mm', ARGON, 0.9, 16, 0.837",
    "'Gas gap, argon 90 %, 16 mm, coated', ARGON, 0.9, 16, 0.03",
    "'Gas gap, krypton 90 %, 10 mm, coated', KRYPTON, 0.9, 10, 0.03"
  })
  void gasGaps(String name, GlassUnit.Gas gas, double filled, double mm, double emissivity) {
    GlassUnit.Gap g = new GlassUnit.Gap(mm / 1000, gas, filled, emissivity, GlassUnit.UNCOATED);
    assertThat(SHIPPED.material(name).orElseThrow().resistance())
        .isCloseTo(1 / (g.radiation() + g.convection(15)), within(0.0006));
  }

  @Test
  void oldHeadingsOfWindowsAreStillRead() {
    LibraryFile f =
        csv(
            "Window type;U-value (W/m2K);Solar heat gain coefficient;Visible transmittance\nOld;1.3;0.4;0.5");
    assertThat(f.library().glazings())
        .singleElement()
        .satisfies(g -> assertThat(g.solarHeatGain()).isEqualTo(0.4));
    assertThat(f.faults()).isEmpty();
  }

  @ParameterizedTest
  @CsvSource({
    "Mineral wool 032 slab, Mineral wool",
    "Brick - facing, 'Brick, outer leaf'",
    "XPS extruded board, Extruded polystyrene (XPS)",
    "Reinforced concrete C25, 'Reinforced concrete, 1 % steel'",
    "Gypsum plaster smooth, Gypsum plaster"
  })
  void theNearestMaterialByName(String name, String nearest) {
    assertThat(SHIPPED.nearest(name)).map(LibraryMaterial::name).contains(nearest);
  }

  @Test
  void noWordInCommonIsNoMaterial() {
    assertThat(SHIPPED.nearest("Qwertz 12")).isEmpty();
  }

  @Test
  void goodRowsAreTakenAndBadOnesSaid() {
    LibraryFile f =
        csv(
            """
            Material;Category;Conductivity (W/mK);Density (kg/m3)
            Hemp lime;Own;0,07;300
            ;Own;0.2;900
            Lead brick;Own;abc;2000
            Feather;Own;0.04;0.01
            Nothing;Own;;20
            Hemp lime;Own;0.08;300
            """);
    assertThat(f.library().materials())
        .singleElement()
        .satisfies(m -> assertThat(m.conductivity()).isEqualTo(0.07));
    assertThat(f.faults())
        .extracting(Fault::row, Fault::column)
        .containsExactly(
            tuple(3, "Material"),
            tuple(4, "Conductivity (W/mK)"),
            tuple(5, "Density (kg/m3)"),
            tuple(6, "Conductivity (W/mK)"),
            tuple(7, "Material"));
    assertThat(f.faults().get(1).message()).contains("abc").contains("no number");
  }

  @Test
  void oneBadLayerLeavesItsConstructionOut() {
    LibraryFile f =
        csv(
            """
            Construction,For,Layer,Thickness (m),Share,U-value (W/m2K)
            Good wall,Exterior wall,Mineral wool,0.2,,
            Bad wall,Exterior wall,Mineral wool,0.2,,
            Bad wall,Exterior wall,Unobtainium,0.1,,
            Stud wall,Exterior wall,Mineral wool,0.14,0.85,
            Stud wall,Exterior wall,"Timber, softwood",0.14,0.15,
            Stated,Roof,,,,0.15
            Empty,Roof,,,,
            """);
    assertThat(f.library().constructions())
        .extracting(Library.LibraryConstruction::name)
        .containsExactly("Good wall", "Stud wall", "Stated");
    assertThat(f.faults()).extracting(Fault::row).containsExactly(4, 8);
    assertThat(f.faults().get(0).message()).contains("Unobtainium");
  }

  @Test
  void filesThatAreNoLibrary() {
    assertThat(csv("a,b\n1,2\n").faults())
        .singleElement()
        .satisfies(x -> assertThat(x.message()).contains("Material, Construction, Window type"));
    assertThat(LibraryFile.read("x", new byte[] {'P', 'K', 3, 4, 0}, SHIPPED).faults()).hasSize(1);
    assertThat(LibraryFile.read("x", new byte[] {0, 1, 2}, SHIPPED).faults()).hasSize(1);
  }

  @Test
  void asASpreadsheetAndBack() {
    byte[] bytes = LibraryFile.write(SHIPPED);
    LibraryFile f = LibraryFile.read("library.xlsx", bytes, Library.EMPTY);
    assertThat(f.faults()).isEmpty();
    assertThat(f.library()).isEqualTo(SHIPPED);
    assertThat(LibraryFile.write(f.library())).isEqualTo(bytes);
  }

  @Test
  void newEqualAndDifferent() {
    Library in =
        csv("""
                Material,Conductivity (W/mK),Density (kg/m3),Specific heat (J/kgK)
                mineral  WOOL,0.032,30,1030
                Steel,50,7800,450
                Hemp lime,0.07,300,1500
                """)
            .library();
    List<Imported> entries = LibraryComparison.of(SHIPPED, in);
    assertThat(entries)
        .extracting(Imported::status)
        .containsExactly(Status.DIFFERENT, Status.EQUAL, Status.NEW);
    assertThat(entries.get(0).differences()).containsExactly("conductivity 0.036 → 0.032 W/mK");
    Library with =
        LibraryComparison.with(SHIPPED, in, Set.of(entries.get(0).id(), entries.get(2).id()));
    assertThat(with.material("Mineral wool").orElseThrow().conductivity()).isEqualTo(0.032);
    assertThat(with.material("Hemp lime")).isPresent();
    assertThat(with.materials()).hasSize(SHIPPED.materials().size() + 1);
    // nothing is taken that was not chosen
    assertThat(LibraryComparison.with(SHIPPED, in, Set.of())).isEqualTo(SHIPPED);
  }

  @Test
  void damagedFilesAreRefusedOrReadInTime() {
    byte[] good = LibraryFile.write(SHIPPED);
    byte[] text =
        "Material,Conductivity (W/mK)\n\"Wool, soft\",0.04\nSteel,50\n"
            .getBytes(StandardCharsets.UTF_8);
    Random random = new Random(6);
    assertTimeoutPreemptively(
        Duration.ofSeconds(60),
        () -> {
          for (int i = 0; i < 200; i++) {
            byte[] b = (i % 2 == 0 ? good : text).clone();
            for (int k = 0; k <= random.nextInt(8); k++) {
              b[random.nextInt(b.length)] = (byte) random.nextInt(256);
            }
            if (random.nextInt(4) == 0) {
              b = Arrays.copyOf(b, random.nextInt(b.length));
            }
            LibraryFile f = LibraryFile.read("damaged", b, Library.EMPTY);
            assertThat(f.faults().size() + f.library().items().size()).isNotZero();
          }
        });
  }
}
