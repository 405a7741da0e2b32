package yentra.core.ifc.write;

import java.util.regex.Matcher;
import java.util.regex.Pattern;
import yentra.core.ifc.MadeGlobalId;

/** GlobalIds of what is written: those it came with, else made from its key. */
final class GlobalIds {
  /** Keys of what was read from IFC: a prefix and the GlobalId, in which a dot stands for $. */
  private static final Pattern READ =
      Pattern.compile("(?:sp|su|op|st|zn)_([0-3][0-9A-Za-z_.]{21})");

  private GlobalIds() {}

  static String of(String key, String seed) {
    Matcher m = READ.matcher(key);
    return m.matches() ? m.group(1).replace('.', '$') : MadeGlobalId.of(seed + key);
  }
}
