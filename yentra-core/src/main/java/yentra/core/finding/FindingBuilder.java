package yentra.core.finding;

import java.util.List;
import yentra.core.envelope.SourceRef;

/** Collects the parts of a finding. */
public final class FindingBuilder {
  private final Descriptor check;
  private final List<String> objects;
  private Double measured;
  private Double stated;
  private Double limit;
  private String unit = "";
  private String limitUnit = "";
  private String subject = "";
  private Evidence evidence = Evidence.NONE;
  private int line;
  private int column;
  private Severity severity;

  public FindingBuilder(Descriptor check, List<String> objects) {
    this.check = check;
    this.objects = objects;
    this.severity = check.severity();
  }

  public FindingBuilder severity(Severity s) {
    severity = s;
    return this;
  }

  public FindingBuilder measured(double value, Double broken, String inUnit) {
    measured = value;
    limit = broken;
    unit = inUnit;
    limitUnit = inUnit;
    return this;
  }

  /** What the delivery says of what was measured, in the same unit. */
  public FindingBuilder stated(double value) {
    stated = value;
    return this;
  }

  /** The limit, where it has another unit than what was measured. */
  public FindingBuilder limited(double broken, String inUnit) {
    limit = broken;
    limitUnit = inUnit;
    return this;
  }

  public FindingBuilder subject(String s) {
    subject = s;
    return this;
  }

  public FindingBuilder evidence(Evidence e) {
    evidence = e;
    return this;
  }

  public FindingBuilder at(SourceRef source) {
    return at(source.line(), source.column());
  }

  public FindingBuilder at(int atLine, int atColumn) {
    line = atLine;
    column = atColumn;
    return this;
  }

  public Finding says(String message) {
    return new Finding(
        check.code(),
        severity,
        objects,
        measured,
        stated,
        limit,
        unit,
        limitUnit,
        message,
        subject,
        evidence,
        line,
        column);
  }
}
