package yentra.core.gbxml;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.LinkedHashMap;
import java.util.Map;
import yentra.core.envelope.DaySchedule;
import yentra.core.envelope.InternalGains;
import yentra.core.envelope.ScheduleProfile;
import yentra.core.envelope.WeekSchedule;
import yentra.core.envelope.YearSchedule;
import yentra.core.envelope.Zone;
import yentra.core.units.Quantity;
import yentra.core.units.Unit;

/** What spaces and zones are used for: gains, set points, air, schedules. */
final class ConditionWriter {
  private final GbxmlOutput x;

  ConditionWriter(GbxmlOutput x) {
    this.x = x;
  }

  void gains(InternalGains g) {
    x.quantity("PeopleNumber", g.people(), "NumberOfPeople");
    x.quantity("PeopleNumber", g.areaPerPerson(), GbxmlUnits.si(Quantity.AREA_PER_PERSON));
    heat("Sensible", g.sensiblePerPerson());
    heat("Latent", g.latentPerPerson());
    x.quantity("LightPowerPerArea", g.lighting(), GbxmlUnits.si(Quantity.POWER_DENSITY));
    x.quantity("EquipPowerPerArea", g.equipment(), GbxmlUnits.si(Quantity.POWER_DENSITY));
  }

  private void heat(String type, Double value) {
    if (value != null) {
      x.line(
          "<PeopleHeatGain unit=\"WattPerPerson\" heatGainType=\""
              + type
              + '"'
              + x.kept("PeopleHeatGain")
              + '>'
              + GbxmlOutput.number(value)
              + "</PeopleHeatGain>");
    }
  }

  void zone(Zone z) {
    Map<String, String> a = new LinkedHashMap<>();
    GbxmlOutput.put(a, "heatSchedIdRef", z.schedules().heating());
    GbxmlOutput.put(a, "coolSchedIdRef", z.schedules().cooling());
    GbxmlOutput.put(a, "outsideAirSchedIdRef", z.schedules().air());
    x.open("Zone", z.key(), a, z.extras());
    x.name(z.name());
    Zone.ZoneAir air = z.air();
    if (air.changes() != null) {
      x.text("AirChangesPerHour", GbxmlOutput.number(air.changes()));
    }
    x.quantity("OAFlowPerArea", air.perArea(), GbxmlUnits.si(Quantity.AIR_FLOW_BY_AREA));
    x.quantity("OAFlowPerPerson", air.perPerson(), GbxmlUnits.si(Quantity.AIR_FLOW));
    x.quantity("OAFlowPerZone", air.total(), GbxmlUnits.si(Quantity.AIR_FLOW));
    x.quantity("DesignHeatT", z.heatingSetPoint(), "C");
    x.quantity("DesignHeatRH", air.leastHumidity(), "Percent");
    x.quantity("DesignCoolT", z.coolingSetPoint(), "C");
    x.quantity("DesignCoolRH", air.mostHumidity(), "Percent");
    x.close("Zone", z.extras());
  }

  void yearSchedule(YearSchedule y) {
    x.open("Schedule", y.key(), typed(y.type()), y.extras());
    x.name(y.name());
    for (YearSchedule.Period p : y.periods()) {
      x.open("YearSchedule", p.key().isEmpty() ? null : p.key(), Map.of(), p.extras());
      x.text("BeginDate", p.begin().toString());
      x.text("EndDate", p.end().toString());
      if (p.week() != null) {
        x.line(
            "<WeekScheduleId weekScheduleIdRef=\""
                + XmlText.escapeAttribute(p.week())
                + '"'
                + x.kept("WeekScheduleId")
                + "/>");
      }
      x.close("YearSchedule", p.extras());
    }
    x.close("Schedule", y.extras());
  }

  private static Map<String, String> typed(String type) {
    Map<String, String> a = new LinkedHashMap<>();
    GbxmlOutput.put(a, "type", type);
    return a;
  }

  void weekSchedule(WeekSchedule w) {
    x.open("WeekSchedule", w.key(), typed(w.type()), w.extras());
    x.name(w.name());
    for (int i = 0; i < w.days().size(); i++) {
      WeekSchedule.Day d = w.days().get(i);
      x.line(
          "<Day dayType=\""
              + XmlText.escapeAttribute(d.days())
              + "\" dayScheduleIdRef=\""
              + XmlText.escapeAttribute(d.schedule())
              + '"'
              + x.kept("Day " + i)
              + "/>");
    }
    x.close("WeekSchedule", w.extras());
  }

  void daySchedule(DaySchedule d) {
    x.open("DaySchedule", d.key(), typed(d.type()), d.extras());
    x.name(d.name());
    boolean degrees = d.type().equals(ScheduleProfile.TEMPERATURE);
    for (int i = 0; i < d.values().size(); i++) {
      double v = d.values().get(i);
      // schedule values state no unit: temperatures are in that of the document
      String text = degrees ? temperature(v) : GbxmlOutput.number(v);
      x.line("<ScheduleValue" + x.kept("ScheduleValue " + i) + '>' + text + "</ScheduleValue>");
    }
    x.close("DaySchedule", d.extras());
  }

  /** Degrees Celsius in the document's unit, as short as reads back the same. */
  private String temperature(double celsius) {
    Unit unit =
        GbxmlUnits.unit(Quantity.TEMPERATURE, x.frame().temperature())
            .orElse(Quantity.TEMPERATURE.si());
    double t = unit.fromSi(celsius);
    for (int digits = 6; digits < 17; digits++) {
      double rounded = new BigDecimal(t).round(new MathContext(digits)).doubleValue();
      if (unit.toSi(rounded) == celsius) {
        return GbxmlOutput.number(rounded);
      }
    }
    return GbxmlOutput.number(t);
  }
}
