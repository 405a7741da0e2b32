package yentra.cli;

import java.io.IOException;
import java.nio.file.Path;
import yentra.core.boundary.BoundaryOptions;
import yentra.core.boundary.Watch;
import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.UnreadableException;
import yentra.core.geometry.Tolerance;
import yentra.core.intake.DeliveryReader;
import yentra.core.pipeline.Delivery;
import yentra.core.pipeline.StageOptions;

/** Files with their envelope made, not checked. */
final class Staged {
  private Staged() {}

  static CheckContext of(Path file, BoundaryOptions boundaries)
      throws IOException, UnreadableException {
    return Delivery.read(
            new FileSource(file),
            ReadLimits.standard(),
            Tolerance.standard(),
            DeliveryReader.Progress.NONE)
        .stage(StageOptions.STANDARD.with(boundaries), Watch.NONE)
        .context();
  }
}
