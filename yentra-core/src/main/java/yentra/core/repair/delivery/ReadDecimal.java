package yentra.core.repair.delivery;

import java.util.List;
import java.util.Objects;
import yentra.core.envelope.Construction;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Extras;
import yentra.core.envelope.Glazing;
import yentra.core.envelope.Material;
import yentra.core.envelope.Member;
import yentra.core.envelope.Naming;
import yentra.core.envelope.ReadNote;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Space;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;

/**
 * Reads a number that the file writes with a comma as its decimal sign. What the reader kept of it
 * as text goes.
 *
 * @param object key of the space, material, construction or window type
 * @param subject the element that holds the number
 */
public record ReadDecimal(String object, String subject) implements Repair {
  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    ReadNote note = note(e);
    double v = note.figure();
    Envelope.Parts p = e.parts();
    Envelope.Parts read =
        p.withSpaces(
                p.spaces().stream().map(s -> is(s.key()) ? of(s, note.member(), v) : s).toList())
            .withMaterials(
                p.materials().stream().map(m -> is(m.key()) ? of(m, note.member(), v) : m).toList())
            .withConstructions(
                p.constructions().stream()
                    .map(c -> is(c.key()) && note.member() == Member.U_VALUE ? of(c, v) : c)
                    .toList())
            .withGlazings(
                p.glazings().stream()
                    .map(g -> is(g.key()) && note.member() == Member.U_VALUE ? of(g, v) : g)
                    .toList());
    if (read.equals(p)) {
      throw new NotApplicableException("There is nothing that this number belongs to.");
    }
    return Envelope.of(read.withNotes(p.notes().stream().filter(n -> !n.equals(note)).toList()));
  }

  private boolean is(String key) {
    return key.equals(object);
  }

  private ReadNote note(Envelope e) throws NotApplicableException {
    return e.notes().stream()
        .filter(n -> n.kind() == ReadNote.Kind.BAD_VALUE && n.object().equals(object))
        .filter(n -> n.subject().equals(subject) && n.figure() != null && n.member() != null)
        .findFirst()
        .orElseThrow(
            () ->
                new NotApplicableException(
                    "The " + subject + " of " + object + " is no number with a comma."));
  }

  private Space of(Space s, Member m, double v) {
    Space out =
        switch (m) {
          case FLOOR_AREA -> s.withStated(v, s.statedVolume());
          case VOLUME -> s.withStated(s.statedFloorArea(), v);
          default -> s;
        };
    return out.withExtras(without(s.extras()));
  }

  private Material of(Material m, Member which, double v) {
    return new Material(
        m.key(),
        m.name(),
        which == Member.THICKNESS ? (Double) v : m.thickness(),
        which == Member.CONDUCTIVITY ? (Double) v : m.conductivity(),
        which == Member.DENSITY ? (Double) v : m.density(),
        which == Member.SPECIFIC_HEAT ? (Double) v : m.specificHeat(),
        which == Member.RESISTANCE ? (Double) v : m.resistance(),
        m.source(),
        without(m.extras()));
  }

  private Construction of(Construction c, double v) {
    return new Construction(c.key(), c.name(), c.layers(), v, c.source(), without(c.extras()));
  }

  private Glazing of(Glazing g, double v) {
    return new Glazing(
        g.key(),
        g.name(),
        v,
        g.solarHeatGain(),
        g.visibleTransmittance(),
        g.source(),
        without(g.extras()));
  }

  /** Without the element that was kept as it stood. */
  private Extras without(Extras x) {
    List<String> left =
        x.fragments().stream().filter(f -> !f.stripLeading().startsWith("<" + subject)).toList();
    return new Extras(x.attributes(), left, x.children());
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new ReadDecimal(keys.of(object), subject);
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    String said =
        before.notes().stream()
            .filter(n -> n.object().equals(object) && Objects.equals(n.subject(), subject))
            .map(ReadNote::value)
            .findFirst()
            .orElse("");
    return "Reads the comma of "
        + subject
        + " "
        + said
        + " of "
        + naming.object(object)
        + " as its decimal sign.";
  }
}
