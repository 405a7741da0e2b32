package yentra.core.exchange;

import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** The formats that an envelope is handed over in. */
public enum HandoverFormat {
  GBXML_6_01("gbxml-6.01", "gbXML 6.01", List.of(".xml", ".gbxml"), "application/xml", true),
  GBXML_7_03("gbxml-7.03", "gbXML 7.03", List.of(), "application/xml", true),
  GBXML_0_37("gbxml-0.37", "gbXML 0.37", List.of(), "application/xml", true),
  IFC4("ifc4", "IFC4 with space boundaries", List.of(".ifc"), "application/x-step", true),
  IFC2X3("ifc2x3", "IFC2X3 with space boundaries", List.of(), "application/x-step", true),
  GLB("glb", "glTF binary", List.of(".glb"), "model/gltf-binary", false),
  DXF("dxf", "DXF", List.of(".dxf"), "image/vnd.dxf", false),
  XLSX(
      "xlsx",
      "Schedules (XLSX)",
      List.of(".xlsx"),
      "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet",
      false);

  private final String code;
  private final String label;
  private final List<String> endings;
  private final String mediaType;
  private final boolean readBack;

  HandoverFormat(
      String code, String label, List<String> endings, String mediaType, boolean readBack) {
    this.code = code;
    this.label = label;
    this.endings = endings;
    this.mediaType = mediaType;
    this.readBack = readBack;
  }

  /** Its name on the command line and in records. */
  public String code() {
    return code;
  }

  public String label() {
    return label;
  }

  public String mediaType() {
    return mediaType;
  }

  /** Whether what is written is read back and compared; of others what was written is counted. */
  public boolean isReadBack() {
    return readBack;
  }

  public boolean isGbxml() {
    return code.startsWith("gbxml");
  }

  public boolean isIfc() {
    return code.startsWith("ifc");
  }

  /** The version of gbXML, such as {@code 6.01}. */
  public String version() {
    return code.substring(code.indexOf('-') + 1);
  }

  /** How a file of this format ends. */
  public String ending() {
    return isGbxml() ? ".xml" : isIfc() ? ".ifc" : endings.get(0);
  }

  /** The format of that name. */
  public static Optional<HandoverFormat> named(String code) {
    for (HandoverFormat f : values()) {
      if (f.code.equals(code)) {
        return Optional.of(f);
      }
    }
    return Optional.empty();
  }

  /** The format that the name of a file stands for by its ending. */
  public static Optional<HandoverFormat> ofFile(String name) {
    String lower = name.toLowerCase(Locale.ROOT);
    for (HandoverFormat f : values()) {
      if (f.endings.stream().anyMatch(lower::endsWith)) {
        return Optional.of(f);
      }
    }
    return Optional.empty();
  }
}
