package yentra.core.junction;

/** Where components meet, by the letters of ISO 14683:2017 (from memory). */
public enum JunctionType {
  R("roof and wall"),
  C("corner of walls"),
  IC("inner corner of walls"),
  GF("ground floor and wall"),
  IF("floor between storeys"),
  IW("partition"),
  W("edge of a window or door");

  private final String label;

  JunctionType(String label) {
    this.label = label;
  }

  public String label() {
    return label;
  }
}
