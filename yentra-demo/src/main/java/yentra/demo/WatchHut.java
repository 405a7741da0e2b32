package yentra.demo;

import java.nio.charset.StandardCharsets;

/**
 * The watch hut of Marram Point, one room: the least building there is, for runs by the hundred.
 */
public final class WatchHut {
  private WatchHut() {}

  /** Its plan document. */
  public static byte[] plan() {
    return """
        {
          "yentraPlan": 1,
          "name": "Watch hut",
          "place": {"latitude": 54.1, "longitude": -3.3, "elevation_m": 6, "north_deg": 20},
          "ground_m": 0,
          "storeys": [{"id": "ground", "name": "Ground", "level_m": 0, "height_m": 2.8}],
          "floors": [
            {"id": "floor", "storey": "Ground",
             "outlines": [{"id": "edge", "corners": [[0,0],[4,0],[4,3],[0,3]]}],
             "lines": [],
             "spaces": [{"id": "watch", "at": [2,1], "name": "Watch room", "use": "OfficeEnclosed"}]}
          ],
          "roofs": [],
          "glazing": [{"id": "windows", "where": {"facing_deg": [135, 225]}, "ratio": 0.3, "sill_m": 0.9, "head_m": 2.1, "form": "single"}]
        }
        """
        .getBytes(StandardCharsets.UTF_8);
  }
}
