package yentra.core.ifc.write;

/**
 * The schemas that models are written in. They differ in how many attributes an entity has, in
 * names of sets, and in what must be there (attribute lists from the published schemas, by memory).
 */
public enum IfcDialect {
  IFC4("IFC4", "DesignTransferView, SpaceBoundary2ndLevelAddOnView"),
  IFC2X3("IFC2X3", "CoordinationView_V2.0, SpaceBoundary2ndLevelAddOnView");

  private final String schema;
  private final String views;

  IfcDialect(String schema, String views) {
    this.schema = schema;
    this.views = views;
  }

  /** As the header states it. */
  public String schema() {
    return schema;
  }

  boolean isOld() {
    return this == IFC2X3;
  }

  String header() {
    return """
        ISO-10303-21;
        HEADER;
        FILE_DESCRIPTION(('ViewDefinition [%s]'),'2;1');
        FILE_NAME('model.ifc','2000-01-01T00:00:00',(''),(''),'Yentra','Yentra','');
        FILE_SCHEMA(('%s'));
        ENDSEC;
        DATA;
        """
        .formatted(views, schema);
  }

  /** The name of the base quantities of a space. */
  String spaceQuantities() {
    return isOld() ? "BaseQuantities" : "Qto_SpaceBaseQuantities";
  }
}
