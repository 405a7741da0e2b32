package yentra.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.SurfaceTypes;
import yentra.core.exchange.Handover;

/** Formats that an envelope is written in. */
enum OutputFormat {
  GBXML("gbxml-6.01", List.of(".xml", ".gbxml")),
  IFC("ifc4", List.of(".ifc"));

  private final String name;
  private final List<String> endings;

  OutputFormat(String name, List<String> endings) {
    this.name = name;
    this.endings = endings;
  }

  /**
   * The format of that name, else that of the file's ending.
   *
   * @param to its name, or null
   */
  static OutputFormat of(String to, Path out) throws IOException {
    String file = String.valueOf(out.getFileName()).toLowerCase(Locale.ROOT);
    for (OutputFormat f : values()) {
      if (to == null ? f.endings.stream().anyMatch(file::endsWith) : to.equals(f.name)) {
        return f;
      }
    }
    throw new IOException(
        to == null
            ? "The name of OUT says no format: let it end in .xml (gbXML 6.01) or .ifc (IFC4)."
            : "The format " + to + " is not offered; gbxml-6.01 and ifc4 are.");
  }

  /** Writes the envelope and reads it back. */
  Handover write(Checked checked) {
    SurfaceTypes types = checked.context().types();
    return this == IFC
        ? Handover.ifc(checked.envelope(), types, ReadLimits.standard())
        : Handover.gbxml(checked.envelope(), types, ReadLimits.standard());
  }
}
