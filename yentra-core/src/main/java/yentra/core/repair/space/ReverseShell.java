package yentra.core.repair.space;

import java.util.List;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.Naming;
import yentra.core.envelope.Rules;
import yentra.core.envelope.Space;
import yentra.core.geometry.Polygon;
import yentra.core.geometry.Shell;
import yentra.core.repair.KeyChange;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.Repair;
import yentra.core.repair.Target;

/** Turns the faces of a space's shell that point inwards. */
public record ReverseShell(String space) implements Repair {
  @Override
  public Envelope apply(Envelope e, Rules rules) throws NotApplicableException {
    Space s = Target.space(e, space);
    List<Polygon> outward = Shell.of(s.shell()).outward(rules.tolerance().gap()).faces();
    if (outward.equals(s.shell())) {
      throw new NotApplicableException(
          "All faces of the shell of " + s.label() + " point outwards already.");
    }
    return e.withSpaces(e.spaces().stream().map(x -> x == s ? x.withShell(outward) : x).toList());
  }

  @Override
  public Repair renamed(KeyChange keys) {
    return new ReverseShell(keys.of(space));
  }

  @Override
  public String describe(Envelope before, Envelope after, Naming naming) {
    return "Turns the shell faces of " + naming.space(space) + " that point inwards.";
  }
}
