package yentra.core.repair.construction;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Extras;
import yentra.core.envelope.Glazing;
import yentra.core.envelope.SourceRef;
import yentra.core.library.Library.LibraryGlazing;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;

/**
 * A window type to be used: one that is there, by its key, or a new one with its values.
 *
 * @param uValue of the whole window, W/(m²K)
 * @param solarHeatGain 0 to 1
 * @param visibleTransmittance 0 to 1
 */
public record GlazingSpec(
    String key,
    String name,
    Double uValue,
    Double solarHeatGain,
    Double visibleTransmittance,
    String source) {
  /** The same in a revision that calls objects something else; a new one names none. */
  public GlazingSpec renamed(KeyChange keys) {
    return key == null
        ? this
        : new GlazingSpec(keys.of(key), name, uValue, solarHeatGain, visibleTransmittance, source);
  }

  public GlazingSpec {
    key = key == null || key.isBlank() ? null : key;
  }

  public static GlazingSpec existing(String key) {
    return new GlazingSpec(key, null, null, null, null, null);
  }

  public static GlazingSpec of(LibraryGlazing g) {
    return new GlazingSpec(
        null, g.name(), g.uValue(), g.solarHeatGain(), g.visibleTransmittance(), g.source());
  }

  public String label(Envelope e) {
    return key == null ? name : e.glazing(key).map(Glazing::label).orElse("window type " + key);
  }

  /** An envelope that has it, and its key there. */
  record Placed(Envelope envelope, String key) {}

  Placed in(Envelope e) throws NotApplicableException {
    if (key != null) {
      if (e.glazings().stream().noneMatch(g -> g.key().equals(key))) {
        throw new NotApplicableException("There is no window type " + key + ".");
      }
      return new Placed(e, key);
    }
    if (name == null || name.isBlank() || uValue == null) {
      throw new NotApplicableException("A window type needs a name and a U-value.");
    }
    ThermalValues.ofGlazing(uValue, solarHeatGain, visibleTransmittance);
    for (Glazing g : e.glazings()) {
      if (g.name().equals(name.strip())
          && Objects.equals(g.uValue(), uValue)
          && Objects.equals(g.solarHeatGain(), solarHeatGain)
          && Objects.equals(g.visibleTransmittance(), visibleTransmittance)) {
        return new Placed(e, g.key());
      }
    }
    String base = "win_" + ThermalParts.slug(name);
    String made = base;
    for (int i = 2; isTaken(e, made); i++) {
      made = base + "-" + i;
    }
    List<Glazing> list = new ArrayList<>(e.glazings());
    list.add(
        new Glazing(
            made,
            name.strip(),
            uValue,
            solarHeatGain,
            visibleTransmittance,
            SourceRef.REPAIR,
            Extras.NONE));
    return new Placed(e.withGlazings(list), made);
  }

  private static boolean isTaken(Envelope e, String key) {
    return e.glazings().stream().anyMatch(g -> g.key().equals(key))
        || e.construction(key).isPresent();
  }
}
