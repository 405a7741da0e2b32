package yentra.core.bcf;

import java.util.Optional;

/** The versions that are written. */
public enum BcfVersion {
  V2_1("2.1"),
  V3_0("3.0");

  private final String id;

  BcfVersion(String id) {
    this.id = id;
  }

  public String id() {
    return id;
  }

  public static Optional<BcfVersion> of(String id) {
    for (BcfVersion v : values()) {
      if (v.id.equals(id)) {
        return Optional.of(v);
      }
    }
    return Optional.empty();
  }
}
