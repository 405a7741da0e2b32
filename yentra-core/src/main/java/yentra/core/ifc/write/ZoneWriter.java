package yentra.core.ifc.write;

import static yentra.core.step.StepWriter.ref;
import static yentra.core.step.StepWriter.refs;
import static yentra.core.step.StepWriter.text;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Zone;
import yentra.core.step.StepWriter;

/**
 * Zones as groups of spaces.
 *
 * @param id the parameter GlobalId of a key
 * @param owner the parameter OwnerHistory
 */
record ZoneWriter(StepWriter step, IfcDialect dialect, UnaryOperator<String> id, String owner) {
  /**
   * Writes all zones of an envelope.
   *
   * @param spaces numbers of the spaces that were written, by key
   */
  void write(Envelope envelope, Map<String, Integer> spaces) {
    for (Zone z : envelope.zones()) {
      List<String> all =
          new ArrayList<>(List.of(id.apply(z.key()), owner, text(z.name()), "$", "$"));
      if (!dialect.isOld()) {
        all.add("$");
      }
      int zone = step.add("IFCZONE", all.toArray(String[]::new));
      List<Integer> in =
          envelope.spaces().stream()
              .filter(s -> z.key().equals(s.zone()))
              .map(s -> spaces.get(s.key()))
              .toList();
      if (!in.isEmpty()) {
        step.add(
            "IFCRELASSIGNSTOGROUP",
            id.apply("in-" + z.key()),
            owner,
            "$",
            "$",
            refs(in),
            "$",
            ref(zone));
      }
    }
  }
}
