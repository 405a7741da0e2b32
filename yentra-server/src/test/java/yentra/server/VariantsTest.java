package yentra.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import yentra.demo.BoathouseAnnexe;
import yentra.demo.DemoFiles;
import yentra.demo.MarramClimate;

/** Variants, targets and sweeps as a page sees them. */
@ExtendWith(RunningServer.class)
class VariantsTest {
  private static final Map<String, Object> SHADES =
      Map.of("kind", "WindowShades", "facing", List.of("SOUTH"), "overhang", 1, "fin", 0);
  private static final Map<String, Object> RECOVERY = Map.of("kind", "HeatRecovery", "share", 0.75);
  private static final Map<String, Object> WALL =
      Map.of(
          "kind", "LayerThickness",
          "construction", "Boarded wall on block",
          "material", "Mineral wool",
          "thickness", 0.3);

  private RunningServer.Yentra yentra;
  private String project;
  private String delivery;

  @BeforeEach
  void deliver(RunningServer.Yentra running) {
    yentra = running;
    project = yentra.project();
    delivery =
        yentra.intake(project, "marram.xml", DemoFiles.soundGbxml()).get("deliveryId").asString();
    weather();
  }

  private void weather() {
    assertThat(
            yentra
                .upload("/api/projects/" + project + "/weather?name=coast.epw", MarramClimate.epw())
                .status())
        .isEqualTo(201);
  }

  private static Map<String, Object> spec(String name, Map<?, ?>... changes) {
    return spec(name, "", List.of(), changes);
  }

  private static Map<String, Object> spec(
      String name, String group, List<String> parts, Map<?, ?>... changes) {
    List<Object> list = new ArrayList<>();
    for (Map<?, ?> c : changes) {
      list.add(Map.of("change", c, "effort", 1000));
    }
    return Map.of("name", name, "group", group, "changes", list, "parts", parts);
  }

  private String add(Map<String, Object> spec) {
    RunningServer.Yentra.Answer a = yentra.post("/api/projects/" + project + "/variants", spec);
    assertThat(a.status()).as(a.body()).isEqualTo(201);
    return a.json().get("id").asString();
  }

  private JsonNode variants() {
    RunningServer.Yentra.Answer a = yentra.get("/api/deliveries/" + delivery + "/variants");
    assertThat(a.status()).as(a.body()).isEqualTo(200);
    return a.json();
  }

  private JsonNode run() {
    RunningServer.Yentra.Answer a =
        yentra.post(
            "/api/deliveries/" + delivery + "/variants/runs",
            Map.of("variants", List.of(), "assumeMissing", false));
    assertThat(a.status()).as(a.body()).isEqualTo(202);
    for (int i = 0; i < 600; i++) {
      JsonNode v = variants();
      boolean open = isOpen(v.get("baseline").get("state"));
      for (JsonNode x : v.get("variants")) {
        open |= isOpen(x.get("run").get("state"));
      }
      for (JsonNode x : v.get("gains")) {
        open |= isOpen(x.get("state"));
      }
      if (!open) {
        return v;
      }
      pause();
    }
    throw new IllegalStateException("the runs do not end");
  }

  private static boolean isOpen(JsonNode state) {
    return List.of("waiting", "running", "none").contains(state.asString());
  }

  private static void pause() {
    try {
      Thread.sleep(100);
    } catch (InterruptedException e) {
      throw new IllegalStateException(e);
    }
  }

  private static JsonNode metric(JsonNode run, String name) {
    for (JsonNode m : run.get("figures").get("metrics")) {
      if (m.get("metric").asString().equals(name)) {
        return m;
      }
    }
    throw new IllegalArgumentException(name);
  }

  @Test
  void variantsRunBesideTheBaseline() {
    add(spec("Shaded", SHADES));
    String better = add(spec("Better", WALL, RECOVERY));
    JsonNode before = variants();
    assertThat(before.get("baseline").get("state").asString()).isEqualTo("none");
    assertThat(before.get("variants").get(1).get("changes").get(0).get("said").get(0).asString())
        .contains("Boarded wall on block");
    JsonNode after = run();
    JsonNode baseline = after.get("baseline");
    assertThat(baseline.get("state").asString()).isEqualTo("done");
    assertThat(metric(baseline, "HEATING").get("difference").asDouble()).isZero();
    JsonNode b = after.get("variants").get(1);
    assertThat(b.get("id").asString()).isEqualTo(better);
    assertThat(metric(b.get("run"), "HEATING").get("difference").asDouble()).isNegative();
    assertThat(metric(b.get("run"), "MEAN_U").get("share").asDouble()).isBetween(-1.0, 0.0);
    assertThat(b.get("effort").asDouble()).isEqualTo(2000);
    // every change by itself, those that bring most for their effort first
    assertThat(after.get("gains").size()).isEqualTo(3);
    double last = Double.POSITIVE_INFINITY;
    for (JsonNode g : after.get("gains")) {
      assertThat(g.get("perEffort").asDouble()).isLessThanOrEqualTo(last);
      last = g.get("perEffort").asDouble();
    }
  }

  @Test
  void targetsAreKeptAndSayByHowMuch() {
    add(spec("Better", WALL, RECOVERY));
    assertThat(
            yentra
                .put(
                    "/api/projects/" + project + "/targets",
                    Map.of(
                        "targets",
                        List.of(
                            Map.of("metric", "HEATING", "below", 0.02),
                            Map.of("metric", "WARM_HOURS", "most", 10_000))))
                .status())
        .isEqualTo(204);
    JsonNode v = run();
    JsonNode base = v.get("baseline").get("figures").get("targets");
    assertThat(base.get(0).get("met").asBoolean()).isFalse();
    assertThat(base.get(1).get("met").asBoolean()).isTrue();
    JsonNode t = v.get("variants").get(0).get("run").get("figures").get("targets").get(0);
    assertThat(t.get("met").asBoolean()).isTrue();
    double heating = metric(v.get("variants").get(0).get("run"), "HEATING").get("value").asDouble();
    assertThat(t.get("by").asDouble()).isCloseTo(t.get("limit").asDouble() - heating, within(1e-9));
    for (Map<String, Object> bad :
        List.<Map<String, Object>>of(
            Map.of("metric", "HEATING"),
            Map.of("metric", "HEATING", "most", -1),
            Map.of("metric", "HEATING", "below", 1.5),
            Map.of("metric", "NOTHING", "most", 1))) {
      assertThat(
              yentra
                  .put("/api/projects/" + project + "/targets", Map.of("targets", List.of(bad)))
                  .status())
          .as(bad.toString())
          .isEqualTo(400);
    }
  }

  @Test
  void changesThatMakeNoSenseAreRefusedWithTheReason() {
    Map<String, Object> gone =
        Map.of("kind", "StatedUValue", "construction", "Nowhere", "uValue", 0.2);
    add(spec("Odd", gone));
    JsonNode v = variants().get("variants").get(0);
    assertThat(v.get("applies").asBoolean()).isFalse();
    assertThat(v.get("changes").get(0).get("refused").asString()).contains("Nowhere");
    JsonNode after = run().get("variants").get(0).get("run");
    assertThat(after.get("state").asString()).isEqualTo("refused");
    assertThat(after.get("figures").isNull()).isTrue();
    assertThat(after.get("message").asString()).contains("Nowhere");
  }

  @Test
  void packagesTakeUpOthersButNotTwoOfOneGroup() {
    String a = add(spec("Shallow", "shades", List.of(), SHADES));
    String b = add(spec("Deep", "shades", List.of(), SHADES));
    String c = add(spec("Recovery", "", List.of(), RECOVERY));
    String all = add(spec("Package", "", List.of(a, c), WALL));
    JsonNode p = variants().get("variants").get(3);
    assertThat(p.get("changes").size()).isEqualTo(3);
    assertThat(p.get("changes").get(0).get("from").asString()).isEqualTo(a);
    String path = "/api/projects/" + project + "/variants";
    RunningServer.Yentra.Answer both = yentra.post(path, spec("Both", "", List.of(a, b)));
    assertThat(both.status()).isEqualTo(422);
    assertThat(both.body()).contains("exclude each other");
    assertThat(yentra.post(path, spec("Nested", "", List.of(all))).status()).isEqualTo(422);
    assertThat(yentra.post(path, spec("Deep")).status()).isEqualTo(422);
    assertThat(yentra.post(path, spec(" ")).status()).isEqualTo(400);
    assertThat(yentra.delete("/api/variants/" + a).body()).contains("Package");
    assertThat(yentra.delete("/api/variants/" + all).status()).isEqualTo(204);
    assertThat(yentra.delete("/api/variants/" + a).status()).isEqualTo(204);
  }

  @Test
  void aVariantIsLookedAtAndMadeTheBaseline() {
    String v = add(spec("Better", WALL, SHADES, RECOVERY));
    JsonNode ran = run();
    double heating =
        metric(ran.get("variants").get(0).get("run"), "HEATING").get("value").asDouble();
    JsonNode repair =
        yentra.get("/api/deliveries/" + delivery + "/variants/" + v + "/repair").json();
    JsonNode preview =
        yentra
            .post(
                "/api/deliveries/" + delivery + "/preview", Map.of("repair", repair.get("repair")))
            .json();
    assertThat(preview.get("changedSurfaces").size()).isPositive();
    String path = "/api/deliveries/" + delivery + "/variants/" + v + "/baseline";
    JsonNode model = yentra.get("/api/deliveries/" + delivery + "/model").json();
    long version = model.get("delivery").get("version").asLong();
    assertThat(yentra.post(path, Map.of("basedOn", version + 1)).status()).isEqualTo(409);
    RunningServer.Yentra.Answer made = yentra.post(path, Map.of("basedOn", version));
    assertThat(made.status()).as(made.body()).isEqualTo(204);
    JsonNode now = yentra.get("/api/deliveries/" + delivery + "/model").json();
    assertThat(now.get("log").size()).isEqualTo(1);
    assertThat(now.get("log").get(0).get("summary").asString()).contains("Better");
    assertThat(
            yentra
                .get("/api/projects/" + project + "/estimate-settings")
                .json()
                .get("heatRecovery")
                .asDouble())
        .isEqualTo(0.75);
    // the state is known by its content: it has its figures without another year
    JsonNode after = run();
    assertThat(after.get("baseline").get("figures").isObject())
        .as(after.get("baseline").toString())
        .isTrue();
    assertThat(metric(after.get("baseline"), "HEATING").get("value").asDouble()).isEqualTo(heating);
    // on the new baseline the variant changes nothing more
    assertThat(after.get("variants").get(0).get("changes").get(0).get("repairs").asInt()).isZero();
    assertThat(
            metric(after.get("variants").get(0).get("run"), "HEATING").get("difference").asDouble())
        .isZero();
  }

  @Test
  void afterARepairVariantsAreAskedForAnew() {
    add(spec("Better", WALL));
    run();
    JsonNode model = yentra.get("/api/deliveries/" + delivery + "/model").json();
    RunningServer.Yentra.Answer a =
        yentra.post(
            "/api/deliveries/" + delivery + "/repairs",
            Map.of(
                "basedOn", model.get("delivery").get("version").asLong(),
                "repair",
                    Map.of("kind", "StateUValue", "construction", "con-wall", "uValue", 0.4)));
    assertThat(a.status()).as(a.body()).isEqualTo(200);
    JsonNode v = variants();
    assertThat(v.get("baseline").get("state").asString()).isEqualTo("none");
    assertThat(v.get("variants").get(0).get("run").get("state").asString()).isEqualTo("none");
    // its layers count from then on, which is said
    assertThat(v.get("variants").get(0).get("changes").get(0).get("said").toString())
        .contains("no longer counts");
  }

  private JsonNode sweep(Map<String, Object> asked) {
    RunningServer.Yentra.Answer a = yentra.post("/api/deliveries/" + delivery + "/sweeps", asked);
    assertThat(a.status()).as(a.body()).isEqualTo(202);
    return yentra.get("/api/sweeps/" + a.json().get("id").asString()).json();
  }

  private JsonNode ended(JsonNode sweep) {
    JsonNode now = sweep;
    for (int i = 0; i < 900; i++) {
      now = yentra.get("/api/sweeps/" + sweep.get("id").asString()).json();
      if (!now.get("state").asString().equals("running")) {
        return now;
      }
      pause();
    }
    throw new IllegalStateException("the sweep does not end: " + now);
  }

  private static Map<String, Object> axis(Map<?, ?> change, double from, double to, double step) {
    return Map.of("change", change, "from", from, "to", to, "step", step);
  }

  @Test
  void aSweepGivesWhatSingleRunsGiveAndIsMadeOnce() {
    yentra.put(
        "/api/projects/" + project + "/targets",
        Map.of("targets", List.of(Map.of("metric", "HEATING", "below", 0.03))));
    Map<String, Object> asked = new HashMap<>();
    asked.put("assumeMissing", false);
    asked.put("axes", List.of(axis(RECOVERY, 0, 0.9, 0.3), axis(WALL, 0.16, 0.4, 0.12)));
    asked.put("grid", true);
    JsonNode s = ended(sweep(asked));
    assertThat(s.get("points").size()).isEqualTo(12);
    assertThat(s.get("done").asInt()).isEqualTo(12);
    for (JsonNode p : s.get("points")) {
      assertThat(p.get("state").asString()).as(p.toString()).isEqualTo("done");
    }
    // no recovery and the thickness that is there: the baseline, worked out once
    double base = metric(s.get("baseline"), "HEATING").get("value").asDouble();
    assertThat(s.get("points").get(0).get("figures").get(0).asDouble()).isEqualTo(base);
    String same =
        add(
            spec(
                "Same as a point",
                Map.of("kind", "HeatRecovery", "share", 0.6),
                Map.of(
                    "kind", "LayerThickness",
                    "construction", "Boarded wall on block",
                    "material", "Mineral wool",
                    "thickness", 0.28)));
    JsonNode v = run();
    assertThat(v.get("variants").get(0).get("id").asString()).isEqualTo(same);
    assertThat(metric(v.get("variants").get(0).get("run"), "HEATING").get("value").asDouble())
        .isEqualTo(s.get("points").get(7).get("figures").get(0).asDouble());
    asked.put("grid", false);
    JsonNode curves = ended(sweep(asked));
    assertThat(curves.get("points").size()).isEqualTo(7);
    assertThat(curves.get("meets").size()).isPositive();
    assertThat(variants().get("sweeps").size()).isEqualTo(2);
  }

  @Test
  void aSweepIsStoppedAndGoesOnWithoutLosingWhatIsDone() {
    Map<String, Object> asked = new HashMap<>();
    asked.put("grid", true);
    asked.put("assumeMissing", false);
    asked.put("axes", List.of(axis(RECOVERY, 0.01, 0.16, 0.01)));
    JsonNode s = sweep(asked);
    String path = "/api/sweeps/" + s.get("id").asString();
    for (int i = 0; i < 200 && yentra.get(path).json().get("done").asInt() < 2; i++) {
      pause();
    }
    assertThat(yentra.post(path + "/stop", Map.of()).status()).isEqualTo(204);
    JsonNode stopped = yentra.get(path).json();
    assertThat(stopped.get("state").asString()).isEqualTo("cancelled");
    int done = stopped.get("done").asInt();
    assertThat(done).isBetween(2, 15);
    assertThat(yentra.post(path + "/go-on", Map.of()).status()).isEqualTo(204);
    JsonNode all = ended(s);
    assertThat(all.get("done").asInt()).isEqualTo(16);
    assertThat(yentra.delete(path).status()).isEqualTo(204);
    assertThat(yentra.get(path).status()).isEqualTo(404);
  }

  @Test
  void sweepsThatCannotBeAreRefused() {
    for (Map<String, Object> bad :
        List.of(
            Map.<String, Object>of("axes", List.of()),
            Map.<String, Object>of("axes", List.of(axis(RECOVERY, 0, 1, 0.0001))),
            Map.<String, Object>of("axes", List.of(axis(RECOVERY, 0, 2, 0.5))),
            Map.<String, Object>of("axes", List.of(Map.of("change", RECOVERY))),
            Map.<String, Object>of(
                "axes", List.of(axis(RECOVERY, 0, 1, 0.02), axis(WALL, 0.1, 0.4, 0.01))))) {
      RunningServer.Yentra.Answer a = yentra.post("/api/deliveries/" + delivery + "/sweeps", bad);
      assertThat(a.status()).as(bad + " " + a.body()).isBetween(400, 422);
      assertThat(a.body()).contains("detail");
    }
  }

  private static Map<String, Object> with(Map<String, Object> asked) {
    Map<String, Object> out = new HashMap<>(asked);
    out.put("grid", true);
    out.put("assumeMissing", false);
    return out;
  }

  @Test
  void withoutWeatherThereIsNothingToRunButWordsAboutIt() {
    String other = yentra.project();
    String d =
        yentra.intake(other, "marram.xml", DemoFiles.soundGbxml()).get("deliveryId").asString();
    JsonNode v = yentra.get("/api/deliveries/" + d + "/variants").json();
    assertThat(v.get("weather").asString()).isEmpty();
    RunningServer.Yentra.Answer a =
        yentra.post(
            "/api/deliveries/" + d + "/variants/runs",
            Map.of("variants", List.of(), "assumeMissing", false));
    assertThat(a.status()).isEqualTo(422);
    assertThat(a.body()).contains("weather");
  }

  @Test
  void storeysOfADrawnBuildingGrowInTheLogToo() {
    String own = yentra.project();
    project = own;
    weather();
    delivery =
        yentra
            .intake(own, "annexe.yplan.json", BoathouseAnnexe.plan())
            .get("deliveryId")
            .asString();
    JsonNode choices = yentra.get("/api/deliveries/" + delivery + "/change-choices").json();
    assertThat(choices.get("storeys").size()).isPositive();
    String v = add(spec("Higher", Map.of("kind", "StoreyHeight", "storey", "", "height", 4.2)));
    JsonNode model = yentra.get("/api/deliveries/" + delivery + "/model").json();
    RunningServer.Yentra.Answer made =
        yentra.post(
            "/api/deliveries/" + delivery + "/variants/" + v + "/baseline",
            Map.of("basedOn", model.get("delivery").get("version").asLong()));
    assertThat(made.status()).as(made.body()).isEqualTo(204);
    assertThat(
            yentra
                .get("/api/deliveries/" + delivery + "/change-choices")
                .json()
                .get("storeys")
                .get(0)
                .get("height")
                .asDouble())
        .isEqualTo(4.2);
  }

  @Test
  void whatCanBeChangedIsToldWithWhatItIsNow() {
    JsonNode c = yentra.get("/api/deliveries/" + delivery + "/change-choices").json();
    assertThat(c.get("sides").size()).isEqualTo(8);
    assertThat(c.get("constructions").toString()).contains("Mineral wool");
    assertThat(c.get("types").toString()).contains("EXTERIOR_WALL");
    assertThat(c.get("weather").size()).isPositive();
    assertThat(c.get("storeys").size()).isZero();
  }
}
