package yentra.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import yentra.core.check.run.CheckCatalogue;
import yentra.demo.DemoFiles;

/**
 * The command line as a script sees it: exit codes, machine-readable answers, messages on standard
 * error.
 */
class CommandLineTest {
  @TempDir Path dir;
  private Path sound;
  private Path faulty;

  @BeforeEach
  void files() throws IOException {
    sound = Files.write(dir.resolve("sound.xml"), DemoFiles.soundGbxml());
    faulty = Files.write(dir.resolve("faulty.xml"), DemoFiles.faultyGbxml());
  }

  private static CommandRun run(Object... args) {
    return CommandRun.of(args);
  }

  @Test
  void aSoundFileExitsWithZeroAndAFaultyOneWithOne() {
    assertThat(run("check", sound).exit()).isZero();
    CommandRun r = run("check", faulty);
    assertThat(r.exit()).isEqualTo(1);
    assertThat(r.out())
        .contains("Plant room is not enclosed: a hole of 20.40 m²")
        .contains("6 blockers, 15 errors");
  }

  @Test
  void boundariesAreMadeAsAsked() throws Exception {
    Path ifc = Files.write(sound.resolveSibling("marram.ifc"), DemoFiles.ifc());
    assertThat(run("check", "--format", "json", ifc).out())
        .contains("\"boundaryKind\" : \"read\"")
        .doesNotContain("derived-2a");
    assertThat(run("check", "--format", "json", "--boundaries", "derive", ifc).out())
        .contains("\"boundaryKind\" : \"derived-2a\"")
        .doesNotContain("\"boundaryKind\" : \"read\"");
    assertThat(
            run(
                    "check",
                    "--format",
                    "json",
                    "--boundaries",
                    "derive",
                    "--slivers",
                    "keep",
                    "--convention",
                    "outer",
                    ifc)
                .out())
        .contains("drawn on outer faces");
    assertThat(run("check", "--boundaries", "guess", ifc).exit()).isEqualTo(2);
  }

  /** Without its spaces the building gives rooms again, as far as walls part them. */
  @Test
  void aPlanIsDrawnCheckedAndTranslated() throws Exception {
    String plan =
        """
        {"yentraPlan": 1, "name": "Net store", "place": {"latitude": 54.1, "longitude": -3.3, "north_deg": 0}, "ground_m": 0,
         "storeys": [{"name": "Ground", "level_m": 0, "height_m": 3}],
         "floors": [{"storey": "Ground", "outlines": [{"corners": [[0,0],[9,0],[9,6],[0,6]]}], "lines": [[[5,0],[5,6]]]}],
         "glazing": [{"ratio": 0.25}]}
        """;
    Path in = Files.writeString(dir.resolve("plan.json"), plan);
    Path out = dir.resolve("plan.xml");
    CommandRun drawn = run("draw", in, "-o", out);
    assertThat(drawn.exit()).isZero();
    assertThat(drawn.out()).contains("2 spaces").contains("read back equal");
    JsonNode own = run("check", "--format", "json", in).json();
    JsonNode written = run("check", "--format", "json", out).json();
    assertThat(own.get("format").asString()).isEqualTo("plan");
    assertThat(own.at("/totals/volume_m3").asDouble()).isEqualTo(162);
    assertThat(written.get("totals")).isEqualTo(own.get("totals"));
    assertThat(run("info", in).out()).contains("yentraPlan 1").contains("outlines");
    assertThat(run("translate", in, "-o", dir.resolve("again.xml")).exit()).isZero();
    assertThat(Files.readAllBytes(dir.resolve("again.xml"))).isEqualTo(Files.readAllBytes(out));
    Path bad = Files.writeString(dir.resolve("bad.json"), plan.replace("[9,6]", "[9,\"six\"]"));
    CommandRun refused = run("draw", bad, "-o", dir.resolve("bad.xml"));
    assertThat(refused.exit()).isEqualTo(2);
    assertThat(refused.err()).contains("floors[0].outlines[0].corners[2][1]").contains("line 3");
    assertThat(dir.resolve("bad.xml")).doesNotExist();
    assertThat(run("draw", sound, "-o", out).err()).contains("is no plan document");
    Path ifc = dir.resolve("plan.ifc");
    CommandRun model = run("draw", in, "-o", ifc);
    assertThat(model.exit()).isZero();
    assertThat(model.out()).contains("2 spaces").contains("read back equal");
    JsonNode again = run("check", "--format", "json", ifc).json();
    assertThat(again.get("totals")).isEqualTo(own.get("totals"));
    assertThat(run("translate", in, "-o", dir.resolve("t.ifc")).exit()).isZero();
    assertThat(Files.readAllBytes(dir.resolve("t.ifc"))).isEqualTo(Files.readAllBytes(ifc));
    assertThat(run("translate", ifc, "--to", "ifc4", "-o", dir.resolve("u.ifc")).out())
        .contains("read back equal");
    assertThat(run("translate", ifc, "--to", "ifc4", "-o", ifc).err()).isNotEmpty();
    assertThat(run("draw", in, "-o", dir.resolve("plan.dwg")).err()).contains(".xml (gbXML 6.01)");
  }

  @Test
  void spacesAreFoundInABuildingWithoutAny() throws Exception {
    String text = new String(DemoFiles.ifc(), StandardCharsets.ISO_8859_1);
    String bare = text.replaceAll("(?m)^#\\d+=IFC(SPACE|RELSPACEBOUNDARY2NDLEVEL)\\(.*\\R", "");
    Path ifc =
        Files.write(sound.resolveSibling("bare.ifc"), bare.getBytes(StandardCharsets.ISO_8859_1));
    assertThat(run("check", ifc).out()).contains(" 0 spaces, 0 surfaces");
    String found = run("check", "--find-spaces", ifc).out();
    assertThat(found).containsPattern(" [1-9] spaces, [1-9]\\d+ surfaces");
  }

  @Test
  void jsonHoldsThePublishedFields() {
    JsonNode j = run("check", "--format", "json", faulty).json();
    assertThat(j.propertyNames())
        .contains(
            "file",
            "format",
            "schema",
            "totals",
            "site",
            "spaces",
            "surfaces",
            "findings",
            "assumptions",
            "timings_ms");
    JsonNode s = j.get("surfaces").get(0);
    assertThat(s.propertyNames())
        .contains(
            "id",
            "name",
            "type",
            "exposure",
            "grossArea_m2",
            "netArea_m2",
            "tilt_deg",
            "azimuth_deg",
            "spaces",
            "construction",
            "uValue",
            "boundaryKind",
            "thickness_m",
            "source",
            "openings");
    JsonNode f = j.get("findings").get(0);
    assertThat(f.propertyNames())
        .contains("code", "severity", "objects", "measured", "limit", "unit", "message", "where");
    assertThat(j.get("totals").get("floorArea_m2").asDouble()).isGreaterThan(500);
    assertThat(j.get("site").get("trueNorth_deg").asDouble()).isEqualTo(12);
  }

  /** The demo states the U-values of its windows and lets the layers of its walls speak. */
  @Test
  void everyUValueSaysWhereItComesFrom() throws IOException {
    assertThat(uValueSources(sound))
        .containsExactlyInAnyOrder("layers", "layers and ground", "stated");
    String panes =
        "<Glaze id=\"g1\"><Thickness unit=\"Millimeters\">4</Thickness></Glaze><Gap id=\"gap\" gas=\"Argon\"><Thickness unit=\"Millimeters\">16</Thickness></Gap><Glaze id=\"g2\"><Thickness unit=\"Millimeters\">4</Thickness></Glaze>";
    String all = Files.readString(sound);
    String bare =
        all.replaceAll(
            "(?s)(<WindowType [^>]*>.*?)<U-value[^>]*>[^<]*</U-value>(.*?)(</WindowType>)",
            "$1$2" + panes + "$3");
    assertThat(bare).isNotEqualTo(all);
    assertThat(uValueSources(Files.writeString(dir.resolve("panes.xml"), bare))).contains("panes");
  }

  private static Set<String> uValueSources(Path file) {
    Set<String> out = new TreeSet<>();
    for (JsonNode s : run("check", "--format", "json", file).json().get("surfaces")) {
      List<JsonNode> all = new ArrayList<>(List.of(s));
      s.get("openings").forEach(all::add);
      for (JsonNode n : all) {
        assertThat(n.get("uValueSource").isNull()).isEqualTo(n.get("uValue").isNull());
        if (!n.get("uValue").isNull()) {
          assertThat(n.get("uValue").asDouble()).isBetween(0.05, 6.0);
          out.add(n.get("uValueSource").asString());
        }
      }
    }
    return out;
  }

  @Test
  void aFileThatCannotBeReadIsAnObjectTooAndTheOthersGoOn() throws IOException {
    Path html = Files.writeString(dir.resolve("page.xml"), "<!DOCTYPE html><html></html>");
    CommandRun r = run("check", "--format", "jsonl", html, dir.resolve("none.ifc"), sound);
    assertThat(r.exit()).isEqualTo(2);
    List<String> lines = r.out().lines().toList();
    assertThat(lines).hasSize(3);
    JsonNode first = JsonMapper.builder().build().readTree(lines.get(0));
    assertThat(first.get("error").get("message").asString()).contains("HTML");
    assertThat(first.get("error").get("line").asInt()).isEqualTo(1);
    assertThat(lines.get(1)).contains("There is no file");
    assertThat(lines.get(2)).contains("\"findings\":[").doesNotContain("\"severity\":\"error\"");
    assertThat(r.err()).contains("HTML").doesNotContain("\tat ");
  }

  @Test
  void limitsComeFromAFile() throws IOException {
    Path limits =
        Files.writeString(
            dir.resolve("limits.json"), "{\"OPN-601.distance\": 0.2, \"SPC-403.difference\": 20}");
    CommandRun r = run("check", "--limits", limits, faulty);
    assertThat(r.out()).doesNotContain("OPN-601").doesNotContain("SPC-403").contains("OPN-602");
    Path broken = Files.writeString(dir.resolve("broken.json"), "{\"OPN-601.distance\": \"wide\"}");
    assertThat(run("check", "--limits", broken, faulty))
        .satisfies(x -> assertThat(x.exit()).isEqualTo(2))
        .satisfies(x -> assertThat(x.err()).contains("is no number"));
  }

  @Test
  void translateRefusesOpenBlockersUnlessAllowed() throws IOException {
    Path out = dir.resolve("out.xml");
    CommandRun refused = run("translate", faulty, "-o", out);
    assertThat(refused.exit()).isEqualTo(1);
    assertThat(refused.err()).contains("6 blockers are open");
    assertThat(out).doesNotExist();
    assertThat(run("translate", faulty, "-o", out, "--allow-blockers").exit()).isZero();
    assertThat(out).exists();
    assertThat(run("translate", sound, "-o", out).out()).contains("read back equal");
    assertThat(Files.readString(out)).isEqualTo(Files.readString(sound));
    assertThat(dir.toFile().list()).noneMatch(n -> n.endsWith(".part"));
  }

  @Test
  void infoCountsWithoutMakingAnEnvelope() {
    CommandRun r = run("info", sound);
    assertThat(r.exit()).isZero();
    assertThat(r.out()).contains("lengthUnit  Meters").containsPattern("\\b8\\b.*Space\\n");
  }

  @Test
  void wrongCallsExitWithTwo() {
    assertThat(run("check").exit()).isEqualTo(2);
    assertThat(run("nonsense").exit()).isEqualTo(2);
    assertThat(run("translate", sound, "-o", dir.resolve("x"), "--to", "pdf").err())
        .contains("pdf is not offered");
  }

  @Test
  void theCommittedCatalogueIsTheCodes() throws IOException {
    Path committed = Path.of("..", "docs", "checks.md");
    assertThat(Files.readString(committed))
        .as("run ./yentra catalogue > docs/checks.md")
        .isEqualTo(CatalogueCommand.markdown(CheckCatalogue.descriptors()));
  }

  @Test
  void scopeSaysWhatIsInAndWritesTheTrimmedFile() throws IOException {
    Path ifc = Files.write(dir.resolve("station.ifc"), DemoFiles.ifc());
    Path out = dir.resolve("trimmed.ifc");
    CommandRun table = run("scope", ifc, "--sheet", "geometry", "-o", out);
    assertThat(table.err()).isEmpty();
    assertThat(table.out()).contains("IfcWall");
    assertThat(Files.size(out)).isPositive().isLessThan(Files.size(ifc));
    JsonNode json = run("scope", ifc, "--sheet", "geometry", "--format", "json").json();
    assertThat(json.size()).isPositive();
    // what is written opens again, with fewer elements and the same spaces
    assertThat(run("check", "--format", "json", out).json().get("spaces").size())
        .isEqualTo(run("check", "--format", "json", ifc).json().get("spaces").size());
    assertThat(run("scope", sound, "--sheet", "geometry").err()).contains("gbXML");
    assertThat(run("scope", ifc, "--sheet", "nonsense").exit()).isEqualTo(2);
  }

  @Test
  void compareTellsTwoRevisionsApart() {
    CommandRun same = run("compare", sound, sound);
    assertThat(same.exit()).isZero();
    CommandRun r = run("compare", sound, faulty);
    assertThat(r.exit()).isEqualTo(1);
    assertThat(r.out()).isNotBlank();
    JsonNode j = run("compare", "--format", "json", sound, faulty).json();
    assertThat(j.get("before").asString()).isEqualTo(sound.toString());
    assertThat(j.get("after").asString()).isEqualTo(faulty.toString());
    assertThat(run("compare", sound, dir.resolve("none.xml")).exit()).isEqualTo(2);
  }

  @Test
  void whatAFileDeterminesIsPutRight() throws Exception {
    Path in = Files.write(dir.resolve("spoilt.xml"), DemoFiles.faultyGbxml());
    byte[] delivered = Files.readAllBytes(in);
    Path out = dir.resolve("mended.xml");
    CommandRun r = run("repair", in, "-o", out, "--format", "json");
    JsonNode plan = r.json();
    assertThat(r.exit()).isEqualTo(1);
    assertThat(plan.get("plan")).isNotEmpty();
    for (JsonNode step : plan.get("plan")) {
      assertThat(step.get("kind").asString()).isEqualTo("safe");
      assertThat(step.get("remedy").asString()).matches("[a-z]+(-[a-z]+)*");
      assertThat(step.get("says").asString()).endsWith(".");
    }
    assertThat(plan.get("readBack")).isEmpty();
    assertThat(Files.readAllBytes(in)).isEqualTo(delivered);
    JsonNode again = run("check", "--format", "json", out).json();
    assertThat(plan.get("left")).isEqualTo(again.get("findings"));
    assertThat(plan.at("/before/blockers").asInt())
        .isGreaterThan(plan.at("/after/blockers").asInt());
    assertThat(plan.at("/before/errors").asInt()).isGreaterThan(plan.at("/after/errors").asInt());
    JsonNode all =
        run("repair", in, "-o", dir.resolve("all.xml"), "--all", "--format", "json").json();
    assertThat(all.at("/after/errors").asInt()).isLessThan(plan.at("/after/errors").asInt());
    assertThat(all.get("plan").toString()).contains("\"judgement\"");
    assertThat(run("repair", in, "-o", dir.resolve("text.xml")).out())
        .contains("blockers")
        .contains("left: error");
  }

  @Test
  void aSoundFileNeedsNoRepairAndNoFileIsOverwritten() throws Exception {
    CommandRun r = run("repair", sound, "-o", dir.resolve("same.xml"), "--format", "json");
    assertThat(r.exit()).isZero();
    assertThat(r.json().get("plan")).isEmpty();
    assertThat(run("repair", sound, "-o", sound).err()).contains("give it another name");
    assertThat(run("repair", sound, "--safe", "--all", "-o", dir.resolve("x.xml")).err())
        .contains("not both");
    Path ifc = Files.write(dir.resolve("station.ifc"), DemoFiles.ifc());
    CommandRun from = run("repair", ifc, "-o", dir.resolve("from.xml"), "--format", "json");
    assertThat(from.json().get("plan")).isEmpty();
    assertThat(dir.resolve("from.xml")).exists();
  }
}
