package yentra.core.gbxml;

import java.util.Optional;

/** The versions of gbXML that are written. */
public enum GbxmlVersion {
  V0_37("0.37"),
  V6_01("6.01"),
  V7_03("7.03");

  private final String code;

  GbxmlVersion(String code) {
    this.code = code;
  }

  /** As the root element states it. */
  public String code() {
    return code;
  }

  public static Optional<GbxmlVersion> of(String code) {
    for (GbxmlVersion v : values()) {
      if (v.code.equals(code)) {
        return Optional.of(v);
      }
    }
    return Optional.empty();
  }

  /** Whether this version has what came with another. */
  boolean has(String since) {
    return since.isEmpty() || Double.parseDouble(code) >= Double.parseDouble(since);
  }
}
