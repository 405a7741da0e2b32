package yentra.core.ifc;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.StandardCharsets;
import java.util.regex.Matcher;
import org.junit.jupiter.api.Test;
import yentra.core.Fixtures;
import yentra.core.boundary.BoundaryOptions;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Material;
import yentra.core.envelope.Opening;
import yentra.core.envelope.OpeningType;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.Surface;
import yentra.core.envelope.UnreadableException;

/**
 * The ways in which an IFC file says what a wall is made of. Attribute positions are those of the
 * schemas IFC2x3 TC1 and IFC4 ADD2 TC1.
 */
class IfcConstructionsTest {
  private static final String USAGE =
      "#37=IFCRELASSOCIATESMATERIAL('0000000000000000000037',$,$,$,(#30),#36);";

  /** The wall of {@link IfcBoundariesTest} with other lines instead of its layer set's usage. */
  private static Envelope with(String lines) throws UnreadableException {
    return read(
        IfcBoundariesTest.file(IfcBoundariesTest.SECOND_LEVEL, IfcBoundariesTest.FACE)
            .replace(USAGE, lines));
  }

  private static Envelope read(String text) throws UnreadableException {
    return IfcReader.read(
        text.getBytes(StandardCharsets.ISO_8859_1),
        ReadLimits.standard(),
        BoundaryOptions.KEEP,
        Fixtures.TOLERANCE);
  }

  private static Construction construction(Envelope e) {
    return e.construction(e.surfaces().get(0).construction()).orElseThrow();
  }

  @Test
  void aLayerSetWithoutUsage() throws Exception {
    Envelope e = with(USAGE.replace("#36", "#31"));
    assertThat(construction(e).name()).isEqualTo("Cavity wall");
    assertThat(e.materials()).hasSize(2);
  }

  @Test
  void aSingleMaterialHasNoThickness() throws Exception {
    Envelope e = with(USAGE.replace("#36", "#34"));
    assertThat(construction(e).name()).isEqualTo("Brick");
    assertThat(e.materials()).singleElement().extracting(Material::thickness).isNull();
    assertThat(e.surfaces().get(0).thickness()).isNull();
  }

  @Test
  void aListOfMaterialsIsNamedAfterThem() throws Exception {
    Envelope e = with("#80=IFCMATERIALLIST((#34,#35));\n" + USAGE.replace("#36", "#80"));
    assertThat(construction(e).name()).isEqualTo("Brick + Wool ä");
  }

  @Test
  void materialsMayHangOnTheType() throws Exception {
    Envelope e =
        with(
            "#80=IFCWALLTYPE('0000000000000000000080',$,'WT',$,$,$,$,$,$,.STANDARD.);\n"
                + "#81=IFCRELDEFINESBYTYPE('0000000000000000000081',$,$,$,(#30),#80);\n"
                + USAGE.replace("#30", "#80"));
    assertThat(construction(e).name()).isEqualTo("Cavity wall");
  }

  @Test
  void aLayerWithoutMaterialIsACavity() throws Exception {
    Envelope e =
        read(
            IfcBoundariesTest.file(IfcBoundariesTest.SECOND_LEVEL, IfcBoundariesTest.FACE)
                .replace("IFCMATERIALLAYER(#35,0.2", "IFCMATERIALLAYER($,0.05"));
    assertThat(e.materials()).extracting(Material::name).containsExactly("Brick", "Cavity");
    assertThat(e.surfaces().get(0).thickness()).isCloseTo(0.15, within(1e-9));
  }

  @Test
  void ifc2x3KeepsThermalPropertiesInTheirOwnEntities() throws Exception {
    Envelope e =
        with(
            USAGE
                + "\n#80=IFCTHERMALMATERIALPROPERTIES(#35,1030.,$,$,0.035);"
                + "\n#81=IFCGENERALMATERIALPROPERTIES(#35,$,$,45.);");
    Material wool = e.materials().get(1);
    assertThat(wool.conductivity()).isEqualTo(0.035);
    assertThat(wool.density()).isEqualTo(45);
    assertThat(wool.specificHeat()).isEqualTo(1030);
  }

  @Test
  void aStatedTransmittanceBecomesTheConstructionsUValue() throws Exception {
    Envelope e =
        with(
            USAGE
                + "\n#80=IFCPROPERTYSINGLEVALUE('ThermalTransmittance',$,IFCTHERMALTRANSMITTANCEMEASURE(0.28),$);"
                + "\n#81=IFCPROPERTYSET('0000000000000000000081',$,'Pset_WallCommon',$,(#80));"
                + "\n#82=IFCRELDEFINESBYPROPERTIES('0000000000000000000082',$,$,$,(#30),#81);");
    assertThat(construction(e).uValue()).isEqualTo(0.28);
  }

  @Test
  void aWallWithoutMaterialHasNoConstructionAndTheCheckSaysSo() throws Exception {
    Envelope e = with("");
    assertThat(e.surfaces().get(0).construction()).isNull();
    assertThat(Fixtures.codes(e)).contains("THM-701");
  }

  @Test
  void referencesToNothingAreNoMaterials() throws Exception {
    assertThat(with(USAGE.replace("#36", "#999")).surfaces().get(0).construction()).isNull();
    assertThat(with(USAGE.replace("#36", "#40")).surfaces().get(0).construction()).isNull();
  }

  private static final String WINDOW =
      USAGE
          + """

            #80=IFCWINDOW('0000000000000000000080',$,'Window',$,$,#10,$,'w',1.2,1.,.WINDOW.,$,$);
            #81=IFCRELSPACEBOUNDARY2NDLEVEL('0000000000000000000081',$,'2ndLevel','2a',#11,#80,#82,.PHYSICAL.,.EXTERNAL.,#50,$);
            #82=IFCCONNECTIONSURFACEGEOMETRY(#83,$);
            #83=IFCFACESURFACE((#84),#85,.T.);
            #84=IFCFACEOUTERBOUND(#86,.T.);
            #85=IFCPLANE(#6);
            #86=IFCPOLYLOOP((#87,#88,#89,#90));
            #87=IFCCARTESIANPOINT((4.,1.,1.));
            #88=IFCCARTESIANPOINT((4.,2.,1.));
            #89=IFCCARTESIANPOINT((4.,2.,2.2));
            #90=IFCCARTESIANPOINT((4.,1.,2.2));
            #91=IFCPROPERTYSINGLEVALUE('ThermalTransmittance',$,IFCTHERMALTRANSMITTANCEMEASURE(1.3),$);
            #92=IFCPROPERTYSET('0000000000000000000092',$,'Pset_WindowCommon',$,(#91));
            #93=IFCRELDEFINESBYPROPERTIES('0000000000000000000093',$,$,$,(#80),#92);
            """;

  @Test
  void aWindowLiesInItsWallAndTakesItsOwnTransmittance() throws Exception {
    Envelope e = with(WINDOW);
    assertThat(e.surfaces()).hasSize(1);
    Surface wall = e.surfaces().get(0);
    assertThat(wall.openings()).hasSize(1);
    Opening o = wall.openings().get(0);
    assertThat(o.type()).isIn(OpeningType.FIXED_WINDOW, OpeningType.OPERABLE_WINDOW);
    assertThat(o.polygon().area()).isCloseTo(1.2, within(1e-9));
    assertThat(e.glazings()).singleElement().satisfies(g -> assertThat(g.uValue()).isEqualTo(1.3));
    assertThat(wall.polygon().area()).as("the wall is gross").isCloseTo(15, within(1e-9));
  }

  /** A g of 0.55 and light of 0.7 of the glass, which is 0.8 of the window: 0.44 and 0.56. */
  @Test
  void whatTheGlassLetsThroughCountsForItsShareOfTheWindow() throws Exception {
    String glass =
        """

        #94=IFCPROPERTYSINGLEVALUE('SolarHeatGainTransmittance',$,IFCPOSITIVERATIOMEASURE(0.55),$);
        #95=IFCPROPERTYSINGLEVALUE('VisibleLightTransmittance',$,IFCPOSITIVERATIOMEASURE(0.7),$);
        #96=IFCPROPERTYSET('0000000000000000000096',$,'%s',$,(#94,#95));
        #97=IFCRELDEFINESBYPROPERTIES('0000000000000000000097',$,$,$,(#80),#96);
        """;
    String share =
        """

        #98=IFCPROPERTYSINGLEVALUE('GlazingAreaFraction',$,IFCPOSITIVERATIOMEASURE(0.8),$);
        """;
    String window = WINDOW.replace("$,(#91));", "$,(#91,#98));") + share;
    Envelope e = with(window + glass.formatted("Pset_DoorWindowGlazingType"));
    assertThat(e.glazings().get(0).solarHeatGain()).isCloseTo(0.44, within(1e-12));
    assertThat(e.glazings().get(0).visibleTransmittance()).isCloseTo(0.56, within(1e-12));
    assertThat(e.notes())
        .anyMatch(n -> n.message().startsWith("solar gain and light of 1 window are"));
    assertThat(with(window + glass.formatted("Own values")).glazings().get(0).solarHeatGain())
        .as("not said to be the glass alone")
        .isEqualTo(0.55);
    assertThat(
            with(WINDOW + glass.formatted("Pset_DoorWindowGlazingType"))
                .glazings()
                .get(0)
                .solarHeatGain())
        .as("no share stated")
        .isEqualTo(0.55);
  }

  private static java.util.List<String> layers(String axis, String sense) throws Exception {
    Envelope e =
        read(
            IfcBoundariesTest.file(IfcBoundariesTest.SECOND_LEVEL, IfcBoundariesTest.FACE)
                .replace(".AXIS2.,.POSITIVE.", axis + "," + sense));
    return e.layers().get(0).materials().stream()
        .map(m -> e.materials().stream().filter(x -> x.key().equals(m)).findFirst().orElseThrow())
        .map(Material::name)
        .toList();
  }

  /**
   * The wall's face looks along +x, the layers are brick, then wool: along +x the wool is outside,
   * against it the brick is; across the face nothing is said.
   */
  @Test
  void layersOfAUsageRunFromOutsideToInside() throws Exception {
    assertThat(layers(".AXIS1.", ".POSITIVE.")).containsExactly("Wool ä", "Brick");
    assertThat(layers(".AXIS1.", ".NEGATIVE.")).containsExactly("Brick", "Wool ä");
    assertThat(layers(".AXIS2.", ".POSITIVE.")).containsExactly("Brick", "Wool ä");
    Envelope e = with(USAGE);
    assertThat(e.notes()).anyMatch(n -> n.message().startsWith("layers of 1 construction are"));
    Envelope known =
        read(
            IfcBoundariesTest.file(IfcBoundariesTest.SECOND_LEVEL, IfcBoundariesTest.FACE)
                .replace(".AXIS2.,.POSITIVE.", ".AXIS1.,.POSITIVE."));
    assertThat(known.notes()).noneMatch(n -> n.message().startsWith("layers of"));
    assertThat(construction(known).name()).as("used in one direction").isEqualTo("Cavity wall");
  }

  @Test
  void profilesAndConstituentsAreMaterialsWithoutThickness() throws Exception {
    Envelope e =
        with(
            "#80=IFCMATERIALCONSTITUENT('Frame',$,#34,0.3,$);\n#81=IFCMATERIALCONSTITUENT('Infill',$,#35,0.7,$);\n"
                + "#82=IFCMATERIALCONSTITUENTSET('Panel',$,(#80,#81));\n"
                + USAGE.replace("#36", "#82"));
    assertThat(construction(e).name()).isEqualTo("Panel");
    assertThat(e.materials()).extracting(Material::thickness).containsOnlyNulls().hasSize(2);
    e =
        with(
            "#80=IFCMATERIALPROFILE('Post',$,#34,$,$,$);\n#82=IFCMATERIALPROFILESET($,$,(#80),$);\n"
                + "#83=IFCMATERIALPROFILESETUSAGE(#82,$,$);\n"
                + USAGE.replace("#36", "#83"));
    assertThat(construction(e).name()).isEqualTo("Brick");
  }

  @Test
  void aTransmittanceWithoutMaterialIsAConstructionToo() throws Exception {
    Envelope e =
        with(
            """
            #80=IFCPROPERTYSINGLEVALUE('ThermalTransmittance',$,IFCTHERMALTRANSMITTANCEMEASURE(0.28),$);
            #81=IFCPROPERTYSET('0000000000000000000081',$,'Pset_WallCommon',$,(#80));
            #82=IFCRELDEFINESBYPROPERTIES('0000000000000000000082',$,$,$,(#30),#81);
            """);
    assertThat(construction(e).name()).isEqualTo("Wall, U 0.280");
    assertThat(construction(e).uValue()).isEqualTo(0.28);
    assertThat(Fixtures.codes(e)).doesNotContain("THM-701", "THM-702");
  }

  @Test
  void whatIsAskedOfASpaceIsReadFromTheOfficialSets() throws Exception {
    Envelope e =
        with(
            USAGE
                + """

                #80=IFCPROPERTYSINGLEVALUE('OccupancyType',$,IFCLABEL('Office'),$);
                #81=IFCPROPERTYSINGLEVALUE('OccupancyNumber',$,IFCCOUNTMEASURE(3),$);
                #82=IFCPROPERTYSET('0000000000000000000082',$,'Pset_SpaceOccupancyRequirements',$,(#80,#81));
                #83=IFCRELDEFINESBYPROPERTIES('0000000000000000000083',$,$,$,(#11),#82);
                #84=IFCPROPERTYSINGLEVALUE('SpaceTemperatureWinterMin',$,IFCTHERMODYNAMICTEMPERATUREMEASURE(293.15),$);
                #85=IFCPROPERTYSINGLEVALUE('SpaceTemperatureSummerMax',$,IFCTHERMODYNAMICTEMPERATUREMEASURE(299.15),$);
                #86=IFCPROPERTYSINGLEVALUE('SpaceHumidityMax',$,IFCPOSITIVERATIOMEASURE(0.6),$);
                #87=IFCPROPERTYSET('0000000000000000000087',$,'Pset_SpaceThermalRequirements',$,(#84,#85,#86));
                #88=IFCRELDEFINESBYPROPERTIES('0000000000000000000088',$,$,$,(#11),#87);
                #89=IFCPROPERTYSINGLEVALUE('Lighting',$,IFCPOWERMEASURE(160.),$);
                #90=IFCPROPERTYSET('0000000000000000000090',$,'Pset_SpaceThermalLoad',$,(#89));
                #91=IFCRELDEFINESBYPROPERTIES('0000000000000000000091',$,$,$,(#11),#90);
                #92=IFCQUANTITYAREA('NetFloorArea',$,$,20.,$);
                #93=IFCELEMENTQUANTITY('0000000000000000000093',$,'Qto_SpaceBaseQuantities',$,$,(#92));
                #94=IFCRELDEFINESBYPROPERTIES('0000000000000000000094',$,$,$,(#11),#93);
                #95=IFCZONE('0000000000000000000095',$,'Offices',$,$,$);
                #96=IFCRELASSIGNSTOGROUP('0000000000000000000096',$,$,$,(#11),$,#95);
                """);
    yentra.core.envelope.Space s = e.spaces().get(0);
    assertThat(s.use()).isEqualTo("OfficeEnclosed");
    assertThat(e.notes()).anyMatch(n -> n.message().endsWith("by their OccupancyType: Office"));
    assertThat(s.gains().people()).isEqualTo(3);
    assertThat(s.gains().lighting()).isCloseTo(8, within(1e-9));
    yentra.core.envelope.Zone z = e.zones().get(0);
    assertThat(z.heatingSetPoint()).isCloseTo(20, within(1e-9));
    assertThat(z.coolingSetPoint()).isCloseTo(26, within(1e-9));
    assertThat(z.air().mostHumidity()).isCloseTo(60, within(1e-9));
    assertThat(z.air().leastHumidity()).isNull();
    assertThat(e.notes()).anyMatch(n -> n.message().contains("taken as kelvin"));
  }

  @Test
  void aUseThatNobodyKnowsIsSaidAndLeftOpen() throws Exception {
    Envelope e =
        with(
            USAGE
                + """

                #80=IFCPROPERTYSINGLEVALUE('OccupancyType',$,IFCLABEL('B2'),$);
                #82=IFCPROPERTYSET('0000000000000000000082',$,'Pset_SpaceOccupancyRequirements',$,(#80));
                #83=IFCRELDEFINESBYPROPERTIES('0000000000000000000083',$,$,$,(#11),#82);
                """);
    assertThat(e.spaces().get(0).use()).isEmpty();
    assertThat(e.notes()).anyMatch(n -> n.message().contains("OccupancyType B2"));
  }

  /**
   * Conductivity in W/(cm K), density in g/cm³, specific heat in kJ/(kg K), as the project says.
   */
  @Test
  void materialValuesAreInTheProjectsUnits() throws Exception {
    String units =
        """
        #2=IFCUNITASSIGNMENT((#3,#4,#200,#210,#220));
        #200=IFCDERIVEDUNIT((#201,#202,#203),.THERMALCONDUCTANCEUNIT.,$);
        #201=IFCDERIVEDUNITELEMENT(#204,1);
        #202=IFCDERIVEDUNITELEMENT(#205,-1);
        #203=IFCDERIVEDUNITELEMENT(#206,-1);
        #204=IFCSIUNIT(*,.POWERUNIT.,$,.WATT.);
        #205=IFCSIUNIT(*,.LENGTHUNIT.,.CENTI.,.METRE.);
        #206=IFCSIUNIT(*,.THERMODYNAMICTEMPERATUREUNIT.,$,.KELVIN.);
        #210=IFCDERIVEDUNIT((#211,#212),.MASSDENSITYUNIT.,$);
        #211=IFCDERIVEDUNITELEMENT(#213,1);
        #212=IFCDERIVEDUNITELEMENT(#205,-3);
        #213=IFCSIUNIT(*,.MASSUNIT.,$,.GRAM.);
        #220=IFCDERIVEDUNIT((#221,#222,#223),.SPECIFICHEATCAPACITYUNIT.,$);
        #221=IFCDERIVEDUNITELEMENT(#224,1);
        #222=IFCDERIVEDUNITELEMENT(#225,-1);
        #223=IFCDERIVEDUNITELEMENT(#206,-1);
        #224=IFCSIUNIT(*,.ENERGYUNIT.,.KILO.,.JOULE.);
        #225=IFCSIUNIT(*,.MASSUNIT.,.KILO.,.GRAM.);
        """;
    String values =
        """
        #39=IFCPROPERTYSINGLEVALUE('ThermalConductivity',$,IFCTHERMALCONDUCTIVITYMEASURE(0.0077),$);
        #84=IFCPROPERTYSINGLEVALUE('SpecificHeatCapacity',$,IFCSPECIFICHEATCAPACITYMEASURE(0.84),$);
        #85=IFCMATERIALPROPERTIES('Pset_MaterialCommon',$,(#86,#84),#34);
        #86=IFCPROPERTYSINGLEVALUE('MassDensity',$,IFCMASSDENSITYMEASURE(1.7),$);
        """;
    String text =
        IfcBoundariesTest.file(IfcBoundariesTest.SECOND_LEVEL, IfcBoundariesTest.FACE)
            .replaceFirst("#2=IFCUNIT.*\n", Matcher.quoteReplacement(units))
            .replaceFirst("#39=IFCPROPERTY.*\n", Matcher.quoteReplacement(values));
    Material brick =
        read(text).materials().stream()
            .filter(m -> m.name().equals("Brick"))
            .findFirst()
            .orElseThrow();
    assertThat(brick.conductivity()).isCloseTo(0.77, within(1e-12));
    assertThat(brick.density()).isCloseTo(1700, within(1e-9));
    assertThat(brick.specificHeat()).isCloseTo(840, within(1e-9));
    // a unit of the value's own comes before the project's
    String own =
        text.replace(
                "IFCTHERMALCONDUCTIVITYMEASURE(0.0077),$)",
                "IFCTHERMALCONDUCTIVITYMEASURE(770.),#230)")
            .replace(
                "#40=",
                "#230=IFCDERIVEDUNIT((#231,#232,#203),.THERMALCONDUCTANCEUNIT.,$);\n"
                    + "#231=IFCDERIVEDUNITELEMENT(#233,1);\n#232=IFCDERIVEDUNITELEMENT(#234,-1);\n"
                    + "#233=IFCSIUNIT(*,.POWERUNIT.,.MILLI.,.WATT.);\n"
                    + "#234=IFCSIUNIT(*,.LENGTHUNIT.,$,.METRE.);\n#40=");
    assertThat(read(own).materials().get(0).conductivity()).isCloseTo(0.77, within(1e-12));
  }

  @Test
  void ifc2x3ExtendedPropertiesOfMaterialsAreRead() throws Exception {
    String text =
        IfcBoundariesTest.file(IfcBoundariesTest.SECOND_LEVEL, IfcBoundariesTest.FACE)
            .replace("FILE_SCHEMA(('IFC4'))", "FILE_SCHEMA(('IFC2X3'))")
            .replaceFirst(
                "#38=IFCMATERIALPROPERTIES.*\n",
                Matcher.quoteReplacement(
                    "#38=IFCEXTENDEDMATERIALPROPERTIES(#34,(#39),$,'Thermal');\n"));
    assertThat(read(text).materials().get(0).conductivity()).isEqualTo(0.77);
  }

  private static final String CONDITIONS =
      """

      #84=IFCPROPERTYSINGLEVALUE('SpaceTemperatureWinterMin',$,IFCTHERMODYNAMICTEMPERATUREMEASURE(294.15),$);
      #85=IFCPROPERTYSINGLEVALUE('NaturalVentilationRate',$,IFCCOUNTMEASURE(0.4),$);
      #86=IFCPROPERTYSINGLEVALUE('MechanicalVentilationRate',$,IFCCOUNTMEASURE(2.5),$);
      #87=IFCPROPERTYSET('0000000000000000000087',$,'Pset_SpaceThermalRequirements',$,(#84,#85,#86));
      #88=IFCRELDEFINESBYPROPERTIES('0000000000000000000088',$,$,$,(#11),#87);
      #89=IFCPROPERTYSINGLEVALUE('People',$,IFCPOWERMEASURE(300.),$);
      #90=IFCPROPERTYSET('0000000000000000000090',$,'Pset_SpaceThermalLoad',$,(#89));
      #91=IFCRELDEFINESBYPROPERTIES('0000000000000000000091',$,$,$,(#11),#90);
      """;

  @Test
  void aSpaceInNoZoneKeepsItsConditionsInOneOfItsOwn() throws Exception {
    Envelope e = with(USAGE + CONDITIONS);
    yentra.core.envelope.Zone z = e.zones().get(0);
    assertThat(e.spaces().get(0).zone()).isEqualTo(z.key());
    assertThat(z.heatingSetPoint()).isCloseTo(21, within(1e-9));
    assertThat(z.air().changes()).isEqualTo(2.5);
    assertThat(e.spaces().get(0).air().changes()).isEqualTo(0.4);
    assertThat(e.notes()).anyMatch(n -> n.message().contains("a zone of its own"));
    // 300 W of nobody knows how many people
    assertThat(e.spaces().get(0).gains().sensiblePerPerson()).isNull();
    assertThat(e.notes()).anyMatch(n -> n.message().contains("how many people"));
  }

  @Test
  void aSpatialZoneIsAZone() throws Exception {
    String zone =
        """

        #95=IFCSPATIALZONE('0000000000000000000095',$,'North',$,$,$,$,$,.THERMAL.);
        #96=IFCRELREFERENCEDINSPATIALSTRUCTURE('0000000000000000000096',$,$,$,(#11),#95);
        """;
    Envelope e = with(USAGE + CONDITIONS + zone);
    assertThat(e.zones()).singleElement().extracting(z -> z.name()).isEqualTo("North");
    assertThat(e.zones().get(0).heatingSetPoint()).isCloseTo(21, within(1e-9));
    assertThat(e.spaces().get(0).zone()).isEqualTo(e.zones().get(0).key());
    // one for fire is none
    assertThat(with(USAGE + zone.replace("THERMAL", "FIRESAFETY")).zones()).isEmpty();
  }

  @Test
  void spacesOfAZoneThatDisagreeAreNamed() throws Exception {
    String two =
        """

        #95=IFCZONE('0000000000000000000095',$,'Offices',$,$,$);
        #96=IFCRELASSIGNSTOGROUP('0000000000000000000096',$,$,$,(#11,#110),$,#95);
        #110=IFCSPACE('0000000000000000000110',$,'2',$,$,#10,$,'Other',.ELEMENT.,.SPACE.,$);
        #111=IFCPROPERTYSINGLEVALUE('SpaceTemperatureWinterMin',$,IFCTHERMODYNAMICTEMPERATUREMEASURE(289.15),$);
        #112=IFCPROPERTYSET('0000000000000000000112',$,'Pset_SpaceThermalRequirements',$,(#111));
        #113=IFCRELDEFINESBYPROPERTIES('0000000000000000000113',$,$,$,(#110),#112);
        """;
    Envelope e = with(USAGE + CONDITIONS + two);
    assertThat(e.zones().get(0).heatingSetPoint()).isNull();
    assertThat(e.notes())
        .anyMatch(n -> n.message().contains("different heating set-points (16.0, 21.0)"));
  }

  @Test
  void fractionsOfConstituentsAreShares() throws Exception {
    Envelope e =
        with(
            """
            #80=IFCMATERIALCONSTITUENTSET('Frame',$,(#81,#82));
            #81=IFCMATERIALCONSTITUENT('Studs',$,#34,0.15,$);
            #82=IFCMATERIALCONSTITUENT('Wool',$,#35,0.85,$);
            """
                + USAGE.replace("#36", "#80"));
    assertThat(e.layers().get(0).shares()).containsExactly(0.15, 0.85);
    assertThat(e.notes()).anyMatch(n -> n.message().contains("shares of the area"));
  }
}
