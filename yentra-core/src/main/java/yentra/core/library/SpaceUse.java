package yentra.core.library;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import yentra.core.envelope.InternalGains;

/**
 * A use of spaces with what is typical of it: defaults to begin with, not proof of compliance.
 * Values are magnitudes after EN 16798-1:2019 and ASHRAE 62.1 (from memory).
 *
 * @param name as gbXML writes uses (spaceTypeEnum, from memory)
 * @param words that spaces of this use have in their names
 * @param areaPerPerson m², or null
 * @param lighting W/m²
 * @param equipment W/m²
 * @param airPerPerson outdoor air, l/s
 * @param airPerArea outdoor air, l/(s·m²)
 * @param heating set-point, °C, or null
 * @param cooling set-point, °C, or null
 */
public record SpaceUse(
    String name,
    List<String> words,
    Double areaPerPerson,
    double lighting,
    double equipment,
    double airPerPerson,
    double airPerArea,
    Double heating,
    Double cooling) {
  public static final String SOURCE =
      "typical magnitude after EN 16798-1:2019 and ASHRAE 62.1 (from memory)";

  private static final List<SpaceUse> SHIPPED =
      List.of(
          use("OfficeOpenPlan", "open office;open plan;landscape", 17.0, 8, 12, 7, 0.7, 20.0, 26.0),
          use("OfficeEnclosed", "office;bureau;study", 10.0, 9, 12, 7, 0.7, 20.0, 26.0),
          use(
              "ConferenceMeetingOrMultipurpose",
              "meeting;conference;seminar;briefing",
              2.0,
              10,
              2,
              7,
              0.7,
              20.0,
              26.0),
          use(
              "ClassroomOrLectureOrTraining",
              "class;training;teaching;lecture",
              3.0,
              8,
              8,
              7,
              0.7,
              20.0,
              26.0),
          use(
              "MerchandisingSalesAreaRetail",
              "shop;sales;retail;store front",
              10.0,
              12,
              3,
              7,
              0.7,
              20.0,
              25.0),
          use("DiningArea", "dining;restaurant;canteen;cafe", 1.7, 9, 4, 7, 0.7, 20.0, 25.0),
          use("FoodPreparation", "kitchen;galley;servery", 10.0, 10, 40, 3.8, 0.6, 18.0, 28.0),
          use("LivingQuartersHotel", "guest;bedroom;dormitory", 20.0, 5, 4, 7, 0.7, 20.0, 26.0),
          use(
              "LivingQuartersDormitory",
              "living;apartment;flat;crew",
              28.3,
              3,
              3,
              4,
              0.3,
              20.0,
              26.0),
          use(
              "PatientRoomHospitalOrHealthcare",
              "patient;ward;treatment",
              10.0,
              8,
              5,
              10,
              1.0,
              22.0,
              26.0),
          use(
              "PlayingAreaGymnasium",
              "gym;sports;fitness;exercise",
              20.0,
              8,
              1,
              10,
              0.7,
              16.0,
              26.0),
          use(
              "CorridorOrTransition",
              "corridor;circulation;hall way;hallway;lobby;foyer;stair;entrance",
              100.0,
              5,
              0,
              0,
              0.3,
              18.0,
              28.0),
          use(
              "InactiveStorage",
              "storage;store;warehouse;archive",
              100.0,
              4,
              1,
              0,
              0.3,
              15.0,
              null),
          use("Restrooms", "toilet;wc;washroom;restroom;shower", null, 5, 0, 0, 0, 18.0, null),
          use(
              "DressingOrLockerOrFittingRoomGymnasium",
              "changing;locker;dressing;drying",
              null,
              5,
              0,
              0,
              0,
              18.0,
              null),
          use(
              "EquipmentRoomManufacturingFacility",
              "server;data;it room",
              null,
              5,
              500,
              0,
              0.3,
              null,
              27.0),
          use("WorkshopWorkshop", "workshop;repair;maintenance", 20.0, 10, 10, 7, 0.7, 18.0, 28.0),
          use(
              "ElectricalOrMechanical",
              "plant;boiler;mechanical;electrical;meter",
              null,
              5,
              10,
              0,
              0.3,
              null,
              null),
          use(
              "GeneralExhibitionMuseum",
              "gallery;exhibit;museum;visitor",
              10.0,
              9,
              4,
              7,
              0.7,
              20.0,
              26.0),
          use(
              "AudienceOrSeatingAreaAuditorium",
              "auditorium;theatre",
              1.2,
              10,
              2,
              7,
              0.5,
              20.0,
              26.0));

  public SpaceUse {
    words = List.copyOf(words);
  }

  private static SpaceUse use(
      String name,
      String words,
      Double area,
      double lighting,
      double equipment,
      double person,
      double perArea,
      Double heat,
      Double cool) {
    return new SpaceUse(
        name,
        Arrays.asList(words.split(";")),
        area,
        lighting,
        equipment,
        person,
        perArea,
        heat,
        cool);
  }

  /** Heat of a person at rest or light work at 24 °C, W (from memory). */
  private static final double SENSIBLE = 75;

  private static final double LATENT = 55;

  /** People, light and equipment typical of it. */
  public InternalGains gains() {
    return new InternalGains(
        null,
        areaPerPerson,
        areaPerPerson == null ? null : (Double) SENSIBLE,
        areaPerPerson == null ? null : (Double) LATENT,
        lighting,
        equipment);
  }

  /** What ships. */
  public static List<SpaceUse> shipped() {
    return SHIPPED;
  }

  /** The use one of whose words a space's name has; the longest word decides. */
  public static Optional<SpaceUse> byName(String name) {
    String plain = " " + name.toLowerCase(Locale.ROOT) + " ";
    SpaceUse best = null;
    int longest = 0;
    for (SpaceUse u : SHIPPED) {
      for (String w : u.words) {
        if (w.length() > longest
            && plain.matches(".*\\b" + java.util.regex.Pattern.quote(w) + ".*")) {
          longest = w.length();
          best = u;
        }
      }
    }
    return Optional.ofNullable(best);
  }
}
