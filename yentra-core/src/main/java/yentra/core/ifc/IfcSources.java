package yentra.core.ifc;

import java.util.HashMap;
import java.util.Map;
import yentra.core.envelope.SourceRef;
import yentra.core.step.StepFile;
import yentra.core.step.StepInstance;

/** Names the source of things: class, GlobalId, name and line; and what fills an opening. */
final class IfcSources {
  private final StepFile file;
  private final Map<Integer, Integer> fillings = new HashMap<>();
  private final Map<Integer, Integer> hosts = new HashMap<>();

  IfcSources(StepFile file) {
    this.file = file;
    file.each("IFCRELVOIDSELEMENT", r -> hosts.putIfAbsent(r.ref(5), r.ref(4)));
    file.each(
        "IFCRELFILLSELEMENT",
        r -> {
          fillings.putIfAbsent(r.ref(4), r.ref(5));
          hosts.putIfAbsent(r.ref(5), hosts.getOrDefault(r.ref(4), 0));
        });
  }

  SourceRef of(StepInstance i) {
    int[] place = file.place(i.id());
    return new SourceRef(IfcNames.proper(i.type()), i.text(0), i.text(2), place[0], place[1]);
  }

  /** The window or door that fills an opening element, or null. */
  StepInstance filling(StepInstance opening) {
    Integer f =
        opening.is("IFCOPENINGELEMENT", "IFCOPENINGSTANDARDCASE")
            ? fillings.get(opening.id())
            : null;
    return f == null ? null : file.get(f);
  }

  /**
   * GlobalId of the element that an opening, or what fills it, was cut into; empty when the file
   * does not say.
   */
  String host(StepInstance element, StepInstance filling) {
    StepInstance e = filling != null ? filling : element;
    StepInstance host = e == null ? null : file.get(hosts.getOrDefault(e.id(), 0));
    return host == null ? "" : host.text(0);
  }

  /** A GlobalId made fit for an XML id: {@code $} is no name character. */
  static String xmlId(String globalId) {
    StringBuilder b = new StringBuilder();
    for (char c : globalId.toCharArray()) {
      b.append(
          c == '$'
              ? '.'
              : c < 128 && (Character.isLetterOrDigit(c) || c == '_' || c == '-' || c == '.')
                  ? c
                  : '_');
    }
    return b.toString();
  }
}
