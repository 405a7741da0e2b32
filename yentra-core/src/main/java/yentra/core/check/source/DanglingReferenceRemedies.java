package yentra.core.check.source;

import yentra.core.check.proposal.ConstructionChoice;
import yentra.core.check.rule.Offer;
import yentra.core.repair.delivery.PointReference;

/** A reference to nothing is dropped, or given something to refer to. */
final class DanglingReferenceRemedies {
  private DanglingReferenceRemedies() {}

  static void of(Offer o) {
    String subject = o.finding().subject();
    int at = subject.indexOf('=');
    if (at < 0) {
      return;
    }
    String attribute = subject.substring(0, at);
    if (attribute.equals("constructionIdRef")) {
      ConstructionChoice.assign(o);
    }
    // of what is only carried over a reference cannot be dropped by itself
    o.addIfItWorks(
        "Drop the reference",
        new PointReference(o.first(), attribute, subject.substring(at + 1), null));
  }
}
