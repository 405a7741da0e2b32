package yentra.core.scope;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yentra.core.ifc.IfcModel;
import yentra.core.ifc.IfcSample;

/**
 * The facets and restrictions of IDS 1.0 (buildingSMART International, Information Delivery
 * Specification 1.0), each with a case that passes and one that fails.
 */
class IdsReaderTest {
  private static IfcModel model;

  @BeforeAll
  static void model() throws Exception {
    model =
        IfcSample.of("IFC4")
            .with(
                "#30=IFCWALL('00000000000000000000W1',$,'W-01','a wall',$,#10,$,'T1',.SOLIDWALL.);",
                "#31=IFCWALLTYPE('00000000000000000000T1',$,'Brick 300',$,$,(#41),$,$,$,.SOLIDWALL.);",
                "#32=IFCRELDEFINESBYTYPE('00000000000000000000R1',$,$,$,(#30),#31);",
                "#33=IFCRELCONTAINEDINSPATIALSTRUCTURE('00000000000000000000R2',$,$,$,(#30,#60),#17);",
                "#34=IFCRELDEFINESBYPROPERTIES('00000000000000000000R3',$,$,$,(#30),#40);",
                "#40=IFCPROPERTYSET('00000000000000000000P1',$,'Pset_WallCommon',$,(#42,#43,#44,#46));",
                "#41=IFCPROPERTYSET('00000000000000000000P2',$,'Pset_Maker',$,(#45));",
                "#42=IFCPROPERTYSINGLEVALUE('FireRating',$,IFCLABEL('F90'),$);",
                "#43=IFCPROPERTYSINGLEVALUE('IsExternal',$,IFCBOOLEAN(.T.),$);",
                "#44=IFCPROPERTYSINGLEVALUE('ThermalTransmittance',$,IFCTHERMALTRANSMITTANCEMEASURE(0.25),$);",
                "#45=IFCPROPERTYSINGLEVALUE('Maker',$,IFCLABEL('Own'),$);",
                "#46=IFCPROPERTYSINGLEVALUE('Reference',$,IFCIDENTIFIER(''),$);",
                "#50=IFCMATERIAL('Brick',$,'masonry');",
                "#51=IFCMATERIALLAYER(#50,0.3,$,'outer leaf',$,$,$);",
                "#52=IFCMATERIALLAYERSET((#51),'Set',$);",
                "#53=IFCRELASSOCIATESMATERIAL('00000000000000000000R4',$,$,$,(#30),#52);",
                "#54=IFCCLASSIFICATION($,$,$,'Own system',$,$,$);",
                "#55=IFCCLASSIFICATIONREFERENCE($,'12.3','Walls',#56,$,$);",
                "#56=IFCCLASSIFICATIONREFERENCE($,'12','Parts',#54,$,$);",
                "#57=IFCRELASSOCIATESCLASSIFICATION('00000000000000000000R5',$,$,$,(#30),#55);",
                "#60=IFCDOOR('00000000000000000000D1',$,'D',$,$,#10,$,$,2.1,0.9,.DOOR.,$,$);",
                "#61=IFCOPENINGELEMENT('00000000000000000000O1',$,$,$,$,#10,$,$,$);",
                "#62=IFCRELVOIDSELEMENT('00000000000000000000R6',$,$,$,#30,#61);",
                "#63=IFCRELFILLSELEMENT('00000000000000000000R7',$,$,$,#61,#60);")
            .model();
  }

  private static byte[] ids(String applicability, String requirements) {
    return ("<ids xmlns='http://standards.buildingsmart.org/IDS' xmlns:xs='http://www.w3.org/2001/XMLSchema'>"
            + "<info><title>T</title></info><specifications><specification name='S' ifcVersion='IFC4'>"
            + applicability
            + "<requirements>"
            + requirements
            + "</requirements></specification></specifications></ids>")
        .getBytes(StandardCharsets.UTF_8);
  }

  private static final String WALLS =
      "<applicability minOccurs='0' maxOccurs='unbounded'><entity><name><simpleValue>IFCWALL</simpleValue></name></entity></applicability>";

  private static List<ScopeResult.Fault> faults(byte[] ids) throws Exception {
    ScopeSheet sheet = IdsReader.read(ids);
    List<ScopeResult.Fault> direct = ScopeRun.of(sheet, model, Map.of()).faults();
    // an equal spreadsheet decides the same
    ScopeSheet again = SheetWorkbook.read(SheetWorkbook.write(sheet));
    List<ScopeResult.Fault> through = ScopeRun.of(again, model, Map.of()).faults();
    assertThat(through.stream().map(f -> f.element() + f.reason()).toList())
        .isEqualTo(direct.stream().map(f -> f.element() + f.reason()).toList());
    return direct;
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        // entity, with predefined type
        "<entity><name><simpleValue>IFCWALL</simpleValue></name></entity> | true",
        "<entity><name><simpleValue>IFCSLAB</simpleValue></name></entity> | false",
        "<entity><name><simpleValue>IFCWALL</simpleValue></name><predefinedType><simpleValue>SOLIDWALL</simpleValue></predefinedType></entity> | true",
        "<entity><name><simpleValue>IFCWALL</simpleValue></name><predefinedType><simpleValue>PARAPET</simpleValue></predefinedType></entity> | false",
        // attribute
        "<attribute><name><simpleValue>Description</simpleValue></name></attribute> | true",
        "<attribute><name><simpleValue>ObjectType</simpleValue></name></attribute> | false",
        "<attribute><name><simpleValue>Name</simpleValue></name><value><xs:restriction base='xs:string'><xs:pattern value='W-[0-9]{2}'/></xs:restriction></value></attribute> | true",
        "<attribute><name><simpleValue>Name</simpleValue></name><value><xs:restriction base='xs:string'><xs:pattern value='D-[0-9]{2}'/></xs:restriction></value></attribute> | false",
        "<attribute cardinality='prohibited'><name><simpleValue>Tag</simpleValue></name></attribute> | false",
        "<attribute cardinality='optional'><name><simpleValue>ObjectType</simpleValue></name><value><simpleValue>x</simpleValue></value></attribute> | true",
        // property: own and of the type, with value, type and bounds
        "<property><propertySet><simpleValue>Pset_WallCommon</simpleValue></propertySet><baseName><simpleValue>FireRating</simpleValue></baseName></property> | true",
        "<property><propertySet><simpleValue>Pset_WallCommon</simpleValue></propertySet><baseName><simpleValue>AcousticRating</simpleValue></baseName></property> | false",
        "<property><propertySet><simpleValue>Pset_WallCommon</simpleValue></propertySet><baseName><simpleValue>Reference</simpleValue></baseName></property> | false",
        "<property><propertySet><simpleValue>Pset_Maker</simpleValue></propertySet><baseName><simpleValue>Maker</simpleValue></baseName><value><simpleValue>Own</simpleValue></value></property> | true",
        "<property dataType='IFCTEXT'><propertySet><simpleValue>Pset_WallCommon</simpleValue></propertySet><baseName><simpleValue>FireRating</simpleValue></baseName></property> | false",
        "<property dataType='IFCLABEL'><propertySet><xs:restriction base='xs:string'><xs:pattern value='Pset_.*'/></xs:restriction></propertySet><baseName><simpleValue>FireRating</simpleValue></baseName><value><xs:restriction base='xs:string'><xs:enumeration value='F60'/><xs:enumeration value='F90'/></xs:restriction></value></property> | true",
        "<property><propertySet><simpleValue>Pset_WallCommon</simpleValue></propertySet><baseName><simpleValue>FireRating</simpleValue></baseName><value><xs:restriction base='xs:string'><xs:length value='2'/></xs:restriction></value></property> | false",
        "<property><propertySet><simpleValue>Pset_WallCommon</simpleValue></propertySet><baseName><simpleValue>IsExternal</simpleValue></baseName><value><simpleValue>true</simpleValue></value></property> | true",
        "<property><propertySet><simpleValue>Pset_WallCommon</simpleValue></propertySet><baseName><simpleValue>ThermalTransmittance</simpleValue></baseName><value><xs:restriction base='xs:double'><xs:minExclusive value='0.2'/><xs:maxInclusive value='0.25'/></xs:restriction></value></property> | true",
        "<property><propertySet><simpleValue>Pset_WallCommon</simpleValue></propertySet><baseName><simpleValue>ThermalTransmittance</simpleValue></baseName><value><xs:restriction base='xs:double'><xs:maxExclusive value='0.25'/></xs:restriction></value></property> | false",
        // material: name, category, layer name
        "<material/> | true",
        "<material><value><simpleValue>Brick</simpleValue></value></material> | true",
        "<material><value><simpleValue>masonry</simpleValue></value></material> | true",
        "<material><value><simpleValue>outer leaf</simpleValue></value></material> | true",
        "<material><value><simpleValue>Timber</simpleValue></value></material> | false",
        // classification: the reference and those above it
        "<classification><system><simpleValue>Own system</simpleValue></system></classification> | true",
        "<classification><value><simpleValue>12</simpleValue></value><system><simpleValue>Own system</simpleValue></system></classification> | true",
        "<classification><value><simpleValue>13</simpleValue></value><system><simpleValue>Own system</simpleValue></system></classification> | false",
        "<classification><system><simpleValue>Another</simpleValue></system></classification> | false",
        // part of
        "<partOf relation='IFCRELCONTAINEDINSPATIALSTRUCTURE'><entity><name><simpleValue>IFCBUILDINGSTOREY</simpleValue></name></entity></partOf> | true",
        "<partOf relation='IFCRELAGGREGATES'><entity><name><simpleValue>IFCROOF</simpleValue></name></entity></partOf> | false",
        "<partOf><entity><name><simpleValue>IFCBUILDING</simpleValue></name></entity></partOf> | true"
      })
  void facets(String facet, boolean passes) throws Exception {
    assertThat(faults(ids(WALLS, facet)).isEmpty()).isEqualTo(passes);
  }

  @Test
  void aFillingIsPartOfItsWall() throws Exception {
    String doors =
        "<applicability><entity><name><simpleValue>IFCDOOR</simpleValue></name></entity></applicability>";
    String part =
        "<partOf relation='IFCRELVOIDSELEMENT IFCRELFILLSELEMENT'><entity><name><simpleValue>IFCWALL</simpleValue></name></entity></partOf>";
    assertThat(faults(ids(doors, part))).isEmpty();
    assertThat(faults(ids(doors, part.replace("IFCWALL<", "IFCSLAB<")))).hasSize(1);
  }

  @Test
  void lengthsOfAttributesAreInSi() throws Exception {
    String doors =
        "<applicability><entity><name><simpleValue>IFCDOOR</simpleValue></name></entity></applicability>";
    String height =
        "<attribute><name><simpleValue>OverallHeight</simpleValue></name><value><xs:restriction base='xs:double'><xs:minInclusive value='2.1'/></xs:restriction></value></attribute>";
    assertThat(faults(ids(doors, height))).isEmpty();
  }

  @Test
  void existenceAndAbsence() throws Exception {
    String slabs = "<entity><name><simpleValue>IFCSLAB</simpleValue></name></entity>";
    String walls = "<entity><name><simpleValue>IFCWALL</simpleValue></name></entity>";
    assertThat(faults(ids("<applicability minOccurs='1'>" + slabs + "</applicability>", "")))
        .hasSize(1);
    assertThat(faults(ids("<applicability minOccurs='1'>" + walls + "</applicability>", "")))
        .isEmpty();
    assertThat(
            faults(
                ids(
                    "<applicability minOccurs='0' maxOccurs='0'>" + walls + "</applicability>",
                    "")))
        .hasSize(1);
  }

  @Test
  void aSpecificationForAnotherSchemaIsNotAsked() throws Exception {
    String facet = "<attribute><name><simpleValue>ObjectType</simpleValue></name></attribute>";
    String other =
        new String(ids(WALLS, facet), StandardCharsets.UTF_8)
            .replace("ifcVersion='IFC4'", "ifcVersion='IFC2X3'");
    assertThat(faults(other.getBytes(StandardCharsets.UTF_8))).isEmpty();
  }

  @Test
  void missingAndRefusedAreToldApart() throws Exception {
    String missing =
        "<property><propertySet><simpleValue>Pset_WallCommon</simpleValue></propertySet><baseName><simpleValue>X</simpleValue></baseName></property>";
    assertThat(faults(ids(WALLS, missing)).get(0).missing()).isTrue();
    String refused =
        "<property><propertySet><simpleValue>Pset_WallCommon</simpleValue></propertySet><baseName><simpleValue>FireRating</simpleValue></baseName><value><simpleValue>F30</simpleValue></value></property>";
    ScopeResult.Fault f = faults(ids(WALLS, refused)).get(0);
    assertThat(f.missing()).isFalse();
    assertThat(f.reason()).isEqualTo("Pset_WallCommon.FireRating is F90, not F30");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "<gbXML/> | begins with ids",
        "<ids><specifications/></ids | not well-formed",
        "<!DOCTYPE ids SYSTEM 'x'><ids/> | document type declaration",
        "<ids><specifications><specification name='S'/></specifications></ids> | says not what it applies to"
      })
  void whatIsNoIdsIsRefusedWithTheLine(String text, String why) {
    assertThatThrownBy(() -> IdsReader.read(text.getBytes(StandardCharsets.UTF_8)))
        .isInstanceOf(ScopeSheetException.class)
        .hasMessageContaining(why)
        .hasMessageContaining("line 1");
  }

  @Test
  void aFaultyFacetSaysItsLine() {
    assertThatThrownBy(() -> IdsReader.read(ids(WALLS, "\n\n<shape/>")))
        .hasMessageContaining("line 3")
        .hasMessageContaining("shape");
    assertThatThrownBy(
            () ->
                IdsReader.read(
                    ids(
                        WALLS,
                        "<attribute><name><xs:restriction base='xs:string'><xs:pattern value='['/></xs:restriction></name></attribute>")))
        .hasMessageContaining("pattern");
  }
}
