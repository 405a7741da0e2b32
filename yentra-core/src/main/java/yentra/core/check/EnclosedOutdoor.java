package yentra.core.check;

import java.util.List;
import java.util.function.Consumer;
import yentra.core.envelope.Surface;

/** ADJ-508: marked exposed to outdoor air but enclosed by the building. */
final class EnclosedOutdoor implements Check {
  static final Descriptor DESCRIPTOR =
      new Descriptor(
          "ADJ-508",
          Severity.WARNING,
          "marked exposed to outdoor air but enclosed by the building",
          "From points before the outer side, 128 lines are followed over the half sphere; those that meet no surface, or the ground, see sky or ground.",
          "It is probably interior: heat is lost to air that is not there.",
          List.of(new Limit("view", "%", 2, 0, 50)));

  @Override
  public Descriptor descriptor() {
    return DESCRIPTOR;
  }

  @Override
  public void run(CheckContext context, Consumer<Finding> report) {
    double limit = context.limit(DESCRIPTOR, "view");
    for (EnclosedSurfaces.Seen e : context.enclosed().all()) {
      if (e.share() * 100 < limit) {
        Surface s = e.surface();
        report.accept(
            context
                .finding(DESCRIPTOR, s.key())
                .measured(100 * e.share(), limit, "%")
                .evidence(Evidence.area(s.polygon()))
                .says(
                    "The "
                        + context.naming().surface(s)
                        + " is said to face outdoor air, but sees "
                        + Text.percent(e.share())
                        + " of sky and ground."));
      }
    }
  }
}
