package yentra.core.estimate;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.proposal.ConstructionChoice;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Glazing;
import yentra.core.envelope.Opening;
import yentra.core.envelope.Surface;
import yentra.core.library.Library;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.construction.ConstructionSpec;
import yentra.core.repair.construction.GiveConstruction;
import yentra.core.repair.construction.GiveGlazing;
import yentra.core.repair.construction.GlazingSpec;

/**
 * An envelope whose surfaces and openings all have a U-value: those that had none have the
 * library's usual construction of their type, or its window type.
 *
 * @param context of the envelope with what was taken
 * @param assumptions what was taken, as sentences
 */
public record MissingAssumed(CheckContext context, List<String> assumptions) {
  private static final Library LIBRARY = Library.shipped();

  /**
   * @param missing keys of surfaces and openings without a U-value
   */
  public static MissingAssumed of(CheckContext context, List<String> missing) {
    Envelope e = context.envelope();
    Map<String, List<String>> byKind = new LinkedHashMap<>();
    Map<String, List<String>> byGlazing = new LinkedHashMap<>();
    for (String key : missing) {
      Optional<Surface> s = e.surface(key);
      Optional<Opening> o = s.isPresent() ? Optional.empty() : e.opening(key);
      if (o.isPresent() && o.get().type().isGlazed()) {
        Glazing g = e.glazing(o.get().glazing()).orElse(none());
        byGlazing
            .computeIfAbsent(ConstructionChoice.nearest(g).name(), k -> new ArrayList<>())
            .add(key);
      } else {
        String kind = s.map(x -> ConstructionChoice.kind(x.type())).orElse("Door");
        byKind.computeIfAbsent(kind, k -> new ArrayList<>()).add(key);
      }
    }
    List<String> said = new ArrayList<>();
    Envelope now = e;
    try {
      for (Map.Entry<String, List<String>> k : byKind.entrySet()) {
        Library.LibraryConstruction c = ConstructionChoice.shipped(k.getKey()).orElseThrow();
        now =
            new GiveConstruction(k.getValue(), ConstructionSpec.of(LIBRARY, c))
                .apply(now, context.rules());
        said.add(
            sentence(k.getValue().size(), c.name(), k.getKey().toLowerCase(java.util.Locale.ROOT)));
      }
      for (Map.Entry<String, List<String>> k : byGlazing.entrySet()) {
        Library.LibraryGlazing g = LIBRARY.glazing(k.getKey()).orElseThrow();
        now = new GiveGlazing(k.getValue(), GlazingSpec.of(g)).apply(now, context.rules());
        said.add(sentence(k.getValue().size(), g.name(), "window"));
      }
    } catch (NotApplicableException x) {
      throw new IllegalStateException("what is missing could not be given", x);
    }
    return new MissingAssumed(context.with(now), said);
  }

  private static String sentence(int n, String name, String kind) {
    return n
        + (n == 1
            ? " " + kind + " without a U-value has"
            : " of kind " + kind + " without a U-value have")
        + " the library's "
        + name
        + ".";
  }

  private static Glazing none() {
    return new Glazing("", "", null, null, null, null, null);
  }
}
