package yentra.core.check.run;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import yentra.core.check.measure.CheckContext;
import yentra.core.check.rule.Check;
import yentra.core.check.rule.Offer;
import yentra.core.check.rule.Remedy;
import yentra.core.check.rule.RemedyContext;
import yentra.core.finding.Finding;

/** The repairs that would answer findings of one state, as their checks offer them. */
public final class Remedies {
  private final RemedyContext shared;
  private final Map<String, Check> checks = new HashMap<>();

  public Remedies(CheckContext context) {
    this.shared = new RemedyContext(context);
    CheckCatalogue.checks().forEach(c -> checks.put(c.descriptor().code(), c));
  }

  /** Of a finding; the likeliest first, each can be made as it stands. */
  public List<Remedy> of(Finding f) {
    Offer offer = new Offer(shared, f);
    Check check = checks.get(f.code());
    if (check != null) {
      check.offer(offer);
    }
    return offer.list();
  }
}
