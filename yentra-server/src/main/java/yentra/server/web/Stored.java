package yentra.server.web;

import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** JSON of our own in the database. */
public final class Stored {
  private Stored() {}

  /**
   * Reads what another version of Yentra has written: members that this one does not know are
   * passed over, which would be refused in a request.
   */
  public static JsonMapper reader(JsonMapper json) {
    return json.rebuild().disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES).build();
  }
}
