package yentra.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import yentra.demo.DemoFiles;

/** The repair plan: worked out, chosen from, taken as one repair, given up. */
@ExtendWith(RunningServer.class)
class RepairPlanTest {
  private RunningServer.Yentra yentra;
  private String delivery;

  @BeforeEach
  void deliver(RunningServer.Yentra running) {
    yentra = running;
    delivery =
        yentra
            .intake(yentra.project(), "marram.xml", DemoFiles.faultyGbxml())
            .get("deliveryId")
            .asString();
  }

  private RunningServer.Yentra.Answer post(String what, Map<String, Object> body) {
    return yentra.post("/api/deliveries/" + delivery + "/" + what, body);
  }

  private JsonNode model() {
    return yentra.model(delivery);
  }

  private JsonNode edit(String what, Map<String, Object> body) {
    Map<String, Object> m = new HashMap<>(body);
    m.put("basedOn", model().get("delivery").get("version").asLong());
    RunningServer.Yentra.Answer a = post(what, m);
    assertThat(a.status()).as(a.body()).isEqualTo(200);
    return a.json();
  }

  private JsonNode plan() {
    return post("repair-plan/" + UUID.randomUUID(), Map.of()).json();
  }

  private RunningServer.Yentra.Answer outcome(JsonNode plan, Map<String, Object> choice) {
    Map<String, Object> asked = new HashMap<>(choice);
    asked.putIfAbsent("basedOn", plan.get("version").asLong());
    return post("repair-plan/outcome/" + UUID.randomUUID(), asked);
  }

  /** What the plan offers is one repair, which answers what it says and is undone at once. */
  @Test
  void theRepairPlanIsMadeAsOneRepair() {
    JsonNode plan = plan();
    List<Object> repairs = new ArrayList<>();
    List<String> findings = new ArrayList<>();
    int resolves = 0;
    for (JsonNode step : plan.get("steps")) {
      assertThat(step.get("says").asString()).isNotBlank();
      resolves += step.get("resolves").asInt();
      for (JsonNode r : step.get("repairs")) {
        repairs.add(r);
        findings.add(step.get("finding").asString());
      }
    }
    JsonNode promised = outcome(plan, Map.of()).json();
    JsonNode before = model();
    assertThat(resolves).isGreaterThan(10);
    Map<String, Object> all =
        Map.of("kind", "Several", "label", "Repair plan", "repairs", repairs, "findings", findings);
    JsonNode preview = post("preview", Map.of("repair", all)).json();
    for (String side : List.of("before", "after")) {
      assertThat(promised.get(side).get("figures")).isEqualTo(preview.get(side));
    }
    JsonNode after = edit("repairs", Map.of("repair", all));
    assertThat(after.get("findings").size())
        .isLessThanOrEqualTo(before.get("findings").size() - resolves + 2);
    for (String severity : List.of("blocker", "error", "warning")) {
      String many = severity + "s";
      assertThat(promised.get("before").get(many))
          .isEqualTo(before.get("severities").get(severity));
      assertThat(promised.get("after").get(many)).isEqualTo(after.get("severities").get(severity));
    }
    double loss =
        yentra
            .get("/api/deliveries/" + delivery + "/thermal")
            .json()
            .get("losses")
            .get("building")
            .get("loss")
            .asDouble();
    assertThat(promised.get("after").get("heatLoss").asDouble()).isCloseTo(loss, within(1e-9));
    assertThat(plan().get("steps")).isEmpty();
    JsonNode undone = edit("undo", Map.of());
    assertThat(undone.get("findings")).isEqualTo(before.get("findings"));
  }

  /** Steps are left out, questions answered; a plan of another state is refused. */
  @Test
  void thePlanIsChosenFrom() {
    JsonNode plan = plan();
    int steps = plan.get("steps").size();
    JsonNode none =
        outcome(plan, Map.of("without", IntStream.range(0, steps).boxed().toList())).json();
    assertThat(none.get("after")).isEqualTo(none.get("before"));
    JsonNode whole = outcome(plan, Map.of()).json();
    JsonNode open = plan.get("open").get(0);
    JsonNode answered =
        outcome(
                plan,
                Map.of(
                    "answers",
                    List.of(
                        Map.of(
                            "finding",
                            open.get("finding").asString(),
                            "label",
                            open.get("choices").get(0).get("label").asString()))))
            .json();
    assertThat(answered.get("unanswered")).isEmpty();
    assertThat(total(answered.get("after"))).isLessThan(total(whole.get("after")));
    assertThat(outcome(plan, Map.of("without", List.of(steps))).status()).isEqualTo(400);
    assertThat(
            outcome(plan, Map.of("answers", List.of(Map.of("finding", "x", "label", "y"))))
                .status())
        .isEqualTo(404);
    assertThat(outcome(plan, Map.of("basedOn", 77)).status()).isEqualTo(409);
  }

  private static int total(JsonNode side) {
    return side.get("blockers").asInt() + side.get("errors").asInt() + side.get("warnings").asInt();
  }

  /** Nothing is done about what somebody has accepted, and it no longer counts. */
  @Test
  void whatIsAcceptedIsNoStepOfThePlan() {
    String first = plan().get("steps").get(0).get("finding").asString();
    post("findings/accept", Map.of("findings", List.of(first), "reason", "As built"));
    for (JsonNode step : plan().get("steps")) {
      assertThat(step.get("finding").asString()).isNotEqualTo(first);
    }
  }

  @Test
  void aPlanThatIsGivenUpStops() {
    UUID run = UUID.randomUUID();
    assertThat(yentra.delete("/api/attempts/" + run).status()).isEqualTo(204);
    RunningServer.Yentra.Answer given = post("repair-plan/" + run, Map.of());
    assertThat(given.status()).isEqualTo(422);
    assertThat(given.body()).contains("The plan was cancelled.");
  }
}
