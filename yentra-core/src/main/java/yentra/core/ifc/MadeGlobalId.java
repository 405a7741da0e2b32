package yentra.core.ifc;

import java.nio.charset.StandardCharsets;
import java.util.UUID;

/** MadeGlobalId for objects that are made here: they depend on a name alone. */
public final class MadeGlobalId {
  private static final String ALPHABET =
      "0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz_$";

  private MadeGlobalId() {}

  /** 128 bits of a name-based UUID in IFC's base 64, 22 characters. */
  public static String of(String name) {
    UUID u = UUID.nameUUIDFromBytes(name.getBytes(StandardCharsets.UTF_8));
    long high = u.getMostSignificantBits();
    long low = u.getLeastSignificantBits();
    char[] c = new char[22];
    for (int i = 21; i >= 0; i--) {
      c[i] = ALPHABET.charAt((int) (low & 63));
      low = low >>> 6 | high << 58;
      high >>>= 6;
    }
    return new String(c);
  }
}
