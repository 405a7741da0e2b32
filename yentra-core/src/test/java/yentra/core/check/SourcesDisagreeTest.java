package yentra.core.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.StandardCharsets;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import yentra.core.Fixtures;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.rule.Remedy;
import yentra.core.check.run.CheckCatalogue;
import yentra.core.check.run.Remedies;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.FrameDifference;
import yentra.core.envelope.Space;
import yentra.core.envelope.UnreadableException;
import yentra.core.exchange.EnvelopeDifference;
import yentra.core.finding.Finding;
import yentra.core.finding.Limits;
import yentra.core.geometry.Box;
import yentra.core.geometry.Transform;
import yentra.core.geometry.Vec3;
import yentra.core.repair.NotApplicableException;

/** Two deliveries of one project held against each other, and brought together. */
class SourcesDisagreeTest {
  private static Envelope moved(double turn, double x, double y, double z, Double north) {
    double c = Math.cos(Math.toRadians(turn));
    double s = Math.sin(Math.toRadians(turn));
    return Fixtures.rooms()
        .moved(
            new Transform(new Vec3(c, s, 0), new Vec3(-s, c, 0), Vec3.Z, new Vec3(x, y, z)), north);
  }

  private static CheckContext context(Envelope e) {
    return new CheckContext(e, Limits.STANDARD, Fixtures.TOLERANCE)
        .beside("first.xml", Fixtures.rooms());
  }

  private static List<Finding> findings(Envelope e) {
    return CheckCatalogue.run(context(e)).stream()
        .filter(f -> f.code().equals("UNI-204") || f.code().equals("LOC-802"))
        .toList();
  }

  @Test
  void theSameFrameIsNoFinding() {
    assertThat(findings(Fixtures.rooms())).isEmpty();
    assertThat(findings(moved(0, 0.005, 0, 0, Fixtures.rooms().site().northAzimuth()))).isEmpty();
  }

  @Test
  void aShiftIsMeasuredToTheMillimetre() {
    List<Finding> f = findings(moved(0, 0.035, 0, 0, Fixtures.rooms().site().northAzimuth()));
    assertThat(f).extracting(Finding::code).containsExactly("UNI-204");
    assertThat(f.get(0).measured()).isCloseTo(0.035, within(1e-9));
    assertThat(f.get(0).message()).contains("first.xml").contains("0.035 m");
  }

  @Test
  void anotherNorthIsOneOfEachCode() {
    double north = Fixtures.rooms().site().northAzimuth();
    List<Finding> f = findings(moved(0, 0, 0, 0, north + 1.5));
    assertThat(f).extracting(Finding::code).containsExactlyInAnyOrder("UNI-204", "LOC-802");
    assertThat(f).allSatisfy(x -> assertThat(x.measured()).isCloseTo(1.5, within(1e-9)));
  }

  @Test
  void aModelTurnedTogetherWithItsNorthFacesWhereItFaced() {
    double north = Fixtures.rooms().site().northAzimuth();
    List<Finding> f = findings(moved(30, 0, 0, 0, north - 30));
    assertThat(f)
        .extracting(Finding::code)
        .as("the frames differ, the walls do not")
        .doesNotContain("LOC-802");
  }

  /** Rooms of their own names and ids, so many metres to the east. */
  private static Envelope wing(double metres) throws UnreadableException {
    Envelope e = moved(0, metres, 0, 0, Fixtures.rooms().site().northAzimuth());
    String xml = new String(Fixtures.write(e), StandardCharsets.UTF_8);
    for (Space s : e.spaces()) {
      xml =
          xml.replace("\"" + s.key() + "\"", "\"wing-" + s.key() + "\"")
              .replace(">" + s.name() + "<", ">Wing " + s.name() + "<");
    }
    return Fixtures.read(xml);
  }

  @Test
  void partsWithoutCommonSpacesThatLieFarApart() throws Exception {
    double width =
        Fixtures.rooms().surfaces().stream()
            .map(s -> s.polygon().box())
            .reduce(Box.EMPTY, Box::union)
            .max()
            .x();
    assertThat(findings(wing(width + 980))).as("a campus").isEmpty();
    Envelope far = wing(2_959_000 + width);
    Finding f = findings(far).get(0);
    assertThat(f.measured()).isCloseTo(2_959_000, within(1e-3));
    assertThat(f.message()).contains("no space in common").contains("2959000 m");
    Remedy first = new Remedies(context(far)).of(f).get(0);
    assertThat(findings(first.repair().apply(far, Fixtures.RULES))).isEmpty();
  }

  @Property(tries = 60)
  void theOfferedMoveBringsAnyShiftAndTurnBack(
      @ForAll @DoubleRange(min = -170, max = 170) double turn,
      @ForAll @DoubleRange(min = -500, max = 500) double x,
      @ForAll @DoubleRange(min = -500, max = 500) double y,
      @ForAll @DoubleRange(min = -20, max = 20) double z)
      throws NotApplicableException {
    Envelope there = moved(turn, x, y, z, Fixtures.rooms().site().northAzimuth());
    FrameDifference d = FrameDifference.of(there, Fixtures.rooms());
    assertThat(d.turn()).isCloseTo(turn, within(1e-6));
    assertThat(d.shift().distance(new Vec3(x, y, z))).isLessThan(1e-6);
    CheckContext context = context(there);
    net.jqwik.api.Assume.that(d.shift().length() > 0.011 || Math.abs(turn) > 0.11);
    Envelope now = there;
    for (Finding f : CheckCatalogue.run(context)) {
      if (f.code().equals("UNI-204")) {
        Remedy r = new Remedies(context).of(f).get(0);
        now = r.repair().apply(there, Fixtures.RULES);
        assertThat(r.repair().describe(there, there, context.naming())).isNotBlank();
        break;
      }
    }
    assertThat(EnvelopeDifference.between(Fixtures.rooms(), now, Fixtures.TOLERANCE)).isEmpty();
  }
}
