package yentra.core.ifc;

/** A piece of geometry that cannot be read; says which entity and why. */
final class IfcGeometryException extends Exception {
  private static final long serialVersionUID = 1L;

  IfcGeometryException(String message) {
    super(message, null, false, false);
  }
}
