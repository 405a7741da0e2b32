package yentra.core.exchange;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import yentra.core.boundary.Convention;
import yentra.core.check.measure.CheckContext;
import yentra.core.envelope.Envelope;
import yentra.core.envelope.ReadLimits;
import yentra.core.ifc.IfcModel;
import yentra.core.ifc.write.DeliveredFileWriter;
import yentra.core.junction.Junction;
import yentra.core.junction.Junctions;
import yentra.core.junction.PsiValues;
import yentra.core.model.ArchitecturalModel;
import yentra.core.thermal.HeatLossOptions;

/**
 * Makes files of one state of a delivery, in any format, whole or of chosen spaces. What is the
 * same for several formats is worked out once.
 */
public final class HandoverMaker {
  /**
   * A state that is handed over.
   *
   * @param whole the architectural model as delivered
   * @param scope what of it is in
   * @param before the envelope as delivered, scope decided, before any repair
   * @param now the envelope with all repairs
   */
  public record Subject(
      ArchitecturalModel whole,
      DeliveredFileWriter.FileScope scope,
      CheckContext before,
      CheckContext now) {}

  /**
   * How it is handed over.
   *
   * @param spaces keys of the chosen spaces; empty for all
   * @param edge what becomes of surfaces towards the others
   * @param units of schedules
   * @param heatLoss options of the figures
   * @param psi of linear thermal bridges
   * @param convention where a derived envelope is drawn
   */
  public record Options(
      Set<String> spaces,
      Excerpt.Edge edge,
      UnitSystem units,
      HeatLossOptions heatLoss,
      PsiValues psi,
      Convention convention) {
    /** All spaces, in SI units, measured by inner faces. */
    public static final Options STANDARD =
        new Options(
            Set.of(),
            Excerpt.Edge.ADIABATIC,
            UnitSystem.SI,
            HeatLossOptions.STANDARD,
            PsiValues.of(PsiValues.Dimensions.INTERNAL),
            Convention.INNER);

    public Options {
      spaces = Set.copyOf(spaces);
    }
  }

  private final Subject subject;
  private final Options options;
  private final ReadLimits limits;
  private final CheckContext part;
  private final List<String> partNotes;

  public HandoverMaker(Subject subject, Options options, ReadLimits limits) {
    this.subject = subject;
    this.options = options;
    this.limits = limits;
    if (options.spaces.isEmpty()) {
      this.part = subject.now;
      this.partNotes = List.of();
    } else {
      Excerpt.Part p =
          Excerpt.of(subject.now.envelope(), options.spaces, options.edge, subject.now.types());
      this.part =
          p.envelope() == subject.now.envelope() ? subject.now : subject.now.with(p.envelope());
      this.partNotes = p.notes();
    }
  }

  /** The state that is written: the whole, or the part that was chosen. */
  public CheckContext part() {
    return part;
  }

  /** What was done at the edges of a part, in sentences; empty for the whole. */
  public List<String> partNotes() {
    return partNotes;
  }

  /**
   * Makes a file; what was done at the edges of a part is not said of it again.
   *
   * @param balance the balance sheet in schedules; null for one without what was read back
   */
  public Handover make(HandoverFormat format, List<BalanceLine> balance) {
    if (format == HandoverFormat.XLSX) {
      return Handover.schedules(
          BuildingSchedules.of(
              part,
              options.heatLoss,
              junctions(),
              balance == null ? balance(null) : balance,
              options.units));
    }
    boolean whole = part == subject.now;
    if (format.isIfc() && subject.whole instanceof IfcModel model) {
      return IfcHandover.of(
          format, model, fileScope(whole), subject.before.envelope(), part, limits);
    }
    return Handover.of(format, part, limits);
  }

  /** Of a part, elements that bound none of its spaces are out as well. */
  private DeliveredFileWriter.FileScope fileScope(boolean whole) {
    if (whole) {
      return subject.scope;
    }
    Set<String> bounding = new java.util.HashSet<>();
    part.envelope()
        .surfaces()
        .forEach(
            s -> {
              Optional.ofNullable(s.element()).ifPresent(e -> bounding.add(e.id()));
              s.openings()
                  .forEach(
                      o -> Optional.ofNullable(o.element()).ifPresent(e -> bounding.add(e.id())));
            });
    part.envelope().spaces().forEach(s -> bounding.add(s.source().id()));
    part.envelope().zones().forEach(z -> bounding.add(z.source().id()));
    return new DeliveredFileWriter.FileScope(
        e -> subject.scope.inScope().test(e) && bounding.contains(e.key()),
        subject.scope.keepsProperty(),
        subject.scope.edits());
  }

  /** Linear thermal bridges of what is written. */
  public List<Junction> junctions() {
    return Junctions.of(part.envelope(), part::outward, options.psi, part.tolerance());
  }

  /**
   * The balance sheet.
   *
   * @param proven a file that was read back, for the last column; null for none
   */
  public List<BalanceLine> balance(Handover proven) {
    Envelope back = proven == null ? null : proven.readBack();
    return BalanceSheet.of(
        new BalanceSheet.States(
            subject.whole,
            subject.before,
            part,
            back == null ? null : part.with(back),
            options.convention),
        options.heatLoss);
  }
}
