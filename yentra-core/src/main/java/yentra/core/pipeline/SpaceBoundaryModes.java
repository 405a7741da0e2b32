package yentra.core.pipeline;

import java.util.HashMap;
import java.util.Map;
import yentra.core.boundary.BoundaryOptions;
import yentra.core.scope.ScopeStep;

/** What a log says of the boundaries of single spaces, in the terms of the derivation. */
final class SpaceBoundaryModes {
  private SpaceBoundaryModes() {}

  static Map<String, BoundaryOptions.Mode> of(Map<String, ScopeStep.BoundarySource> chosen) {
    Map<String, BoundaryOptions.Mode> out = new HashMap<>();
    chosen.forEach(
        (space, source) ->
            out.put(
                space,
                source == ScopeStep.BoundarySource.DERIVED
                    ? BoundaryOptions.Mode.DERIVE
                    : BoundaryOptions.Mode.KEEP));
    return out;
  }
}
