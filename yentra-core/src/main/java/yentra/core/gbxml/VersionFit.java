package yentra.core.gbxml;

import java.util.ArrayList;
import java.util.List;
import yentra.core.envelope.Delivered;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Extras;
import yentra.core.envelope.Surface;

/**
 * An envelope without what a version of gbXML has no place for: attributes carried along that a
 * later version brought.
 *
 * @param envelope what can be written
 * @param notes what is lost, in sentences
 */
public record VersionFit(Envelope envelope, List<String> notes) {
  public VersionFit {
    notes = List.copyOf(notes);
  }

  public static VersionFit of(Envelope e, GbxmlVersion version) {
    List<String> notes = new ArrayList<>();
    List<Surface> surfaces = new ArrayList<>();
    int lost = 0;
    for (Surface s : e.surfaces()) {
      Extras left = left("Surface", s.extras(), version);
      lost += left == s.extras() ? 0 : 1;
      surfaces.add(left == s.extras() ? s : s.withExtras(left));
    }
    if (lost > 0) {
      notes.add(
          "Version " + version.code() + " has no exposedToSun: left out of " + lost + " surfaces.");
    }
    Delivered d = e.delivered();
    Extras root = left("gbXML", d.root(), version);
    Envelope out = lost == 0 ? e : e.withSurfaces(surfaces);
    if (root != d.root()) {
      notes.add(
          "Version "
              + version.code()
              + " does not say where surfaces are drawn (SurfaceReferenceLocation): it is left out.");
      out = Envelope.of(out.parts().withDelivered(d.withRoot(root)));
    }
    return new VersionFit(out, notes);
  }

  private static Extras left(String element, Extras x, GbxmlVersion version) {
    Extras out = x;
    for (Extras.Attribute a : x.attributes()) {
      GbxmlRules.Attribute rule = GbxmlRules.STANDARD.of(element).attributes().get(a.name());
      if (a.prefix().isEmpty() && rule != null && !version.has(rule.since())) {
        out = out.withoutAttribute(a.name());
      }
    }
    return out;
  }
}
