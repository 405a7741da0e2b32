package yentra.core.variant.change;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import java.util.Collections;
import java.util.List;
import java.util.Set;
import yentra.core.repair.NotApplicableException;

/**
 * One change of a variant, serialisable as JSON by its kind and fields. It says what is wanted, not
 * of which objects: on a repaired baseline or the next revision it is worked out anew.
 */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
  @JsonSubTypes.Type(GlazingShare.class),
  @JsonSubTypes.Type(WindowType.class),
  @JsonSubTypes.Type(WindowShades.class),
  @JsonSubTypes.Type(ConstructionOfType.class),
  @JsonSubTypes.Type(LayerThickness.class),
  @JsonSubTypes.Type(StatedUValue.class),
  @JsonSubTypes.Type(Leakage.class),
  @JsonSubTypes.Type(SetPoints.class),
  @JsonSubTypes.Type(LightAndEquipment.class),
  @JsonSubTypes.Type(HeatRecovery.class),
  @JsonSubTypes.Type(SystemsOf.class),
  @JsonSubTypes.Type(Turned.class),
  @JsonSubTypes.Type(StoreyHeight.class),
  @JsonSubTypes.Type(OtherClimate.class)
})
public sealed interface Change
    permits GlazingShare,
        WindowType,
        WindowShades,
        ConstructionOfType,
        LayerThickness,
        StatedUValue,
        Leakage,
        SetPoints,
        LightAndEquipment,
        HeatRecovery,
        SystemsOf,
        Turned,
        StoreyHeight,
        OtherClimate {
  /**
   * What it comes to on a state; {@link Effect#NONE} where all is as it wants it already.
   *
   * @throws NotApplicableException when it makes no sense there, with the reason in a sentence
   */
  Effect on(VariantState state) throws NotApplicableException;

  /** What it does, in words, as part of a list. */
  @JsonIgnore
  String label();

  /** What it changes. */
  @JsonIgnore
  Set<Aspect> changes();

  /** What else decides what it comes to. */
  @JsonIgnore
  Set<Aspect> dependsOn();

  /** Its numbers, the leading one first. */
  @JsonIgnore
  List<ChangeQuantity> quantities();

  /**
   * The same with another number.
   *
   * @throws IllegalArgumentException when it has no such number
   */
  Change with(String member, double value);

  /** Whether both in either order give the same. */
  default boolean commutesWith(Change o) {
    return Collections.disjoint(changes(), o.changes())
        && Collections.disjoint(changes(), o.dependsOn())
        && Collections.disjoint(dependsOn(), o.changes());
  }

  /** Fails with the name of a number that a change does not have. */
  static IllegalArgumentException unknown(Change c, String member) {
    return new IllegalArgumentException(c.getClass().getSimpleName() + " has no " + member);
  }

  /**
   * Fails when a number lies outside what it may be.
   *
   * @throws NotApplicableException which names it and its bounds
   */
  default void checkQuantities() throws NotApplicableException {
    for (ChangeQuantity q : quantities()) {
      Double v = q.value();
      if (v != null && !(v >= q.least() && v <= q.most())) {
        throw new NotApplicableException(
            "The "
                + q.label()
                + " lies between "
                + Words.number(q.least())
                + " and "
                + Words.number(q.most())
                + ".");
      }
    }
  }
}
