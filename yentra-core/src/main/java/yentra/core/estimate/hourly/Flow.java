package yentra.core.estimate.hourly;

/** Where heat of a zone's balance comes from or goes to. */
public enum Flow {
  HEATING("heating"),
  COOLING("cooling"),
  SUN("sun through windows"),
  PEOPLE("people"),
  LIGHTING("light"),
  EQUIPMENT("equipment"),
  OPAQUE("walls, roofs and floors to outdoor air"),
  WINDOWS("windows and doors"),
  GROUND("ground"),
  BRIDGES("thermal bridges"),
  LEAKS("air through leaks"),
  FRESH_AIR("fresh air"),
  NEIGHBOURS("other spaces, and heat kept in what lies between");

  private final String label;

  Flow(String label) {
    this.label = label;
  }

  public String label() {
    return label;
  }
}
