package yentra.core.check;

import static org.assertj.core.api.Assertions.assertThat;
import static yentra.core.Fixtures.check;
import static yentra.core.Fixtures.read;
import static yentra.core.Fixtures.rooms;
import static yentra.core.Fixtures.with;
import static yentra.core.Fixtures.write;

import java.nio.charset.StandardCharsets;
import java.util.HashSet;
import java.util.List;
import org.junit.jupiter.api.Test;
import yentra.core.check.run.FindingGroups;
import yentra.core.check.run.FindingGroups.Group;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.SurfaceType;
import yentra.core.finding.Finding;
import yentra.core.finding.FindingId;

/** A cause stands for its symptoms, and no finding is lost or told twice. */
class FindingGroupsTest {
  private static List<Group> groups(Envelope e) {
    List<Finding> f = check(e);
    List<Group> g = FindingGroups.of(e, f);
    List<FindingId> members = g.stream().flatMap(x -> x.members().stream()).toList();
    assertThat(members)
        .doesNotHaveDuplicates()
        .containsExactlyInAnyOrderElementsOf(new HashSet<>(f.stream().map(Finding::id).toList()));
    return g;
  }

  @Test
  void aWrongUnitStandsForAllItsSizes() {
    Envelope e =
        rooms()
            .scaled(1000)
            .withSpaces(
                rooms().scaled(1000).spaces().stream().map(s -> s.withStated(20.0, 60.0)).toList());
    assertThat(groups(e).get(0))
        .satisfies(
            g -> {
              assertThat(g.cause().code()).isEqualTo("UNI-202");
              assertThat(g.members().get(0)).isEqualTo(g.cause());
              assertThat(g.members()).hasSizeGreaterThan(2);
            });
    assertThat(groups(e)).filteredOn(g -> g.key().startsWith("SPC-403")).isEmpty();
  }

  @Test
  void aReversedShellStandsForItsReversedSurfaces() {
    Envelope e = rooms();
    Envelope turned =
        e.withSpaces(
                e.spaces().stream()
                    .map(
                        s ->
                            s.key().equals("b")
                                ? s.withShell(s.shell().stream().map(p -> p.reversed()).toList())
                                : s)
                    .toList())
            .withSurfaces(
                e.surfaces().stream()
                    .map(s -> s.key().startsWith("b-") ? with(s, s.polygon().reversed()) : s)
                    .toList());
    assertThat(check(turned)).extracting(Finding::code).contains("SPC-409", "ADJ-506");
    assertThat(groups(turned))
        .singleElement()
        .satisfies(g -> assertThat(g.cause().code()).isEqualTo("SPC-409"));
  }

  @Test
  void aMissingNeighbourStandsForTheSurfacesThatLookForIt() throws Exception {
    String xml = new String(write(rooms()), StandardCharsets.UTF_8);
    Envelope e = read(xml.replaceAll("(<AdjacentSpaceId spaceIdRef=)\"b\"", "$1\"gone\""));
    List<Group> g = groups(e);
    assertThat(g.stream().filter(x -> x.key().startsWith("FMT-104"))).hasSize(1);
  }

  @Test
  void faultsOfOneKindAreOneGroup() {
    Envelope e =
        rooms()
            .withSurfaces(
                rooms().surfaces().stream()
                    .map(s -> s.type() == SurfaceType.EXTERIOR_WALL ? s.withConstruction(null) : s)
                    .toList());
    assertThat(groups(e))
        .singleElement()
        .satisfies(
            g -> {
              assertThat(g.cause()).isNull();
              assertThat(g.members()).hasSize(6);
              assertThat(g.title()).isEqualTo("6 times: a surface without a construction");
            });
  }
}
