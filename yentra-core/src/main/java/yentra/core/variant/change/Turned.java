package yentra.core.variant.change;

import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import yentra.core.repair.NotApplicableException;
import yentra.core.repair.delivery.AlignDelivery;

/**
 * The building and all that was delivered with it, turned on its site: true north is stated
 * elsewhere, coordinates stay.
 *
 * @param degrees clockwise from above
 */
public record Turned(double degrees) implements Change {
  private static final double FULL = 360;

  @Override
  public Effect on(VariantState state) throws NotApplicableException {
    checkQuantities();
    if (degrees == 0) {
      return Effect.NONE;
    }
    Double stated = state.envelope().site().northAzimuth();
    double north = ((stated == null ? 0 : stated) + degrees) % FULL;
    return Effect.of(
        List.of(new AlignDelivery(0, 0, 0, 0, north < 0 ? north + FULL : north)),
        stated == null
            ? new String[] {"True north is not stated: the y axis is taken to look there."}
            : new String[0]);
  }

  @Override
  public String label() {
    return "turned by " + Words.number(degrees) + "° clockwise";
  }

  @Override
  public Set<Aspect> changes() {
    return EnumSet.of(Aspect.NORTH);
  }

  @Override
  public Set<Aspect> dependsOn() {
    return EnumSet.of(Aspect.SHAPE);
  }

  @Override
  public List<ChangeQuantity> quantities() {
    return List.of(ChangeQuantity.counted("degrees", "turn", "°", degrees, -FULL, FULL));
  }

  @Override
  public Change with(String member, double value) {
    if (!member.equals("degrees")) {
      throw Change.unknown(this, member);
    }
    return new Turned(value);
  }
}
