package yentra.core.check.source;

import yentra.core.check.proposal.ConstructionChoice;
import yentra.core.check.rule.FileNotes;
import yentra.core.check.rule.Offer;
import yentra.core.envelope.Member;
import yentra.core.envelope.ReadNote;
import yentra.core.repair.delivery.PointReference;

/** A reference to nothing is dropped, or given something to refer to. */
final class DanglingReferenceRemedies {
  private DanglingReferenceRemedies() {}

  static void of(Offer o) {
    for (ReadNote n : o.context().envelope().notes()) {
      if (n.kind() == ReadNote.Kind.DANGLING_REFERENCE && FileNotes.isOf(n, o.finding())) {
        of(o, n);
        return;
      }
    }
  }

  private static void of(Offer o, ReadNote n) {
    if (n.member() == Member.CONSTRUCTION) {
      ConstructionChoice.assign(o);
    }
    // of what is only carried over a reference cannot be dropped by itself
    o.addIfItWorks(
        "Drop the reference",
        new PointReference(
            n.object(),
            n.member(),
            n.member() == Member.OTHER ? n.subject() : null,
            n.value(),
            null));
  }
}
