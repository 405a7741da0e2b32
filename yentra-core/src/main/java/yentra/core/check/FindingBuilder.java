package yentra.core.check;

import java.util.List;
import yentra.core.envelope.SourceRef;

/** Collects the parts of a finding. */
final class FindingBuilder {
  private final Descriptor check;
  private final List<String> objects;
  private Double measured;
  private Double limit;
  private String unit = "";
  private String subject = "";
  private Evidence evidence = Evidence.NONE;
  private int line;
  private int column;
  private Severity severity;

  FindingBuilder(Descriptor check, List<String> objects) {
    this.check = check;
    this.objects = objects;
    this.severity = check.severity();
  }

  FindingBuilder severity(Severity s) {
    severity = s;
    return this;
  }

  FindingBuilder measured(double value, Double broken, String inUnit) {
    measured = value;
    limit = broken;
    unit = inUnit;
    return this;
  }

  FindingBuilder subject(String s) {
    subject = s;
    return this;
  }

  FindingBuilder evidence(Evidence e) {
    evidence = e;
    return this;
  }

  FindingBuilder at(SourceRef source) {
    return at(source.line(), source.column());
  }

  FindingBuilder at(int atLine, int atColumn) {
    line = atLine;
    column = atColumn;
    return this;
  }

  Finding says(String message) {
    return new Finding(
        check.code(),
        severity,
        objects,
        measured,
        limit,
        unit,
        message,
        subject,
        evidence,
        line,
        column);
  }
}
