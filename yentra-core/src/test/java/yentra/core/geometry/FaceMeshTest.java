package yentra.core.geometry;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import yentra.core.Fixtures;

class FaceMeshTest {
  @Test
  void aBoxHasEightCornersAndTwelveEdges() {
    FaceMesh m = FaceMesh.of(Fixtures.box(new Vec3(0, 0, 0), new Vec3(4, 3, 2.5)), 20);
    assertThat(m.vertices()).hasSize(8 * 3);
    assertThat(m.triangles()).hasSize(12 * 3);
    assertThat(m.edges()).hasSize(12 * 2);
  }

  @Test
  void theFoldsBetweenTheFacetsOfACylinderAreNotDrawn() {
    int n = 24;
    List<Polygon> faces = new ArrayList<>();
    List<Vec3> bottom = new ArrayList<>();
    List<Vec3> top = new ArrayList<>();
    for (int i = 0; i < n; i++) {
      double a = 2 * Math.PI * i / n;
      bottom.add(new Vec3(Math.cos(a), Math.sin(a), 0));
      top.add(new Vec3(Math.cos(a), Math.sin(a), 3));
    }
    for (int i = 0; i < n; i++) {
      int j = (i + 1) % n;
      faces.add(Polygon.of(bottom.get(i), bottom.get(j), top.get(j), top.get(i)));
    }
    faces.add(Polygon.of(top));
    faces.add(Polygon.of(bottom).reversed());
    assertThat(FaceMesh.of(faces, 20).edges()).as("both rims").hasSize(2 * n * 2);
    assertThat(FaceMesh.of(faces, 10).edges()).as("rims and facets").hasSize(3 * n * 2);
  }
}
