package yentra.core.scope;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Sheets that were changed at random: read, or refused with a sentence that says where. */
class SheetFuzzTest {
  private static final int ROUNDS = 250;
  private static final String IDS =
      """
      <ids xmlns="http://standards.buildingsmart.org/IDS" xmlns:xs="http://www.w3.org/2001/XMLSchema">
        <info><title>Walls</title></info>
        <specifications>
          <specification name="Fire" ifcVersion="IFC4">
            <applicability minOccurs="1" maxOccurs="unbounded">
              <entity><name><simpleValue>IFCWALL</simpleValue></name></entity>
            </applicability>
            <requirements>
              <property dataType="IFCLABEL" cardinality="required">
                <propertySet><simpleValue>Pset_WallCommon</simpleValue></propertySet>
                <baseName><simpleValue>FireRating</simpleValue></baseName>
                <value><xs:restriction base="xs:string"><xs:pattern value="REI [0-9]+"/></xs:restriction></value>
              </property>
            </requirements>
          </specification>
        </specifications>
      </ids>
      """;

  private interface Reader {
    ScopeSheet read() throws ScopeSheetException;
  }

  private static boolean survives(Reader reader, String what) {
    return assertTimeoutPreemptively(
        Duration.ofSeconds(20),
        () -> {
          try {
            assertThat(reader.read().name()).isNotNull();
            return true;
          } catch (ScopeSheetException e) {
            assertThat(e.sentence()).isNotBlank().doesNotContain("Exception").hasSizeLessThan(900);
            return false;
          }
        },
        what);
  }

  private static byte[] mutate(byte[] sound, Random random) {
    byte[] b = sound.clone();
    int at = random.nextInt(b.length);
    switch (random.nextInt(3)) {
      case 0 -> b = Arrays.copyOf(b, at);
      case 1 -> {
        for (int i = 0; i < 1 + random.nextInt(8); i++) {
          b[random.nextInt(b.length)] = (byte) random.nextInt(256);
        }
      }
      default -> {
        int to = Math.min(b.length, at + 1 + random.nextInt(60));
        byte[] less = new byte[b.length - (to - at)];
        System.arraycopy(b, 0, less, 0, at);
        System.arraycopy(b, to, less, at, b.length - to);
        b = less;
      }
    }
    return b;
  }

  @ParameterizedTest
  @ValueSource(longs = {1, 2})
  void workbooks(long seed) {
    Random random = new Random(seed);
    byte[] sound = SheetWorkbook.write(ShippedSheets.thermal());
    int refused = 0;
    for (int i = 0; i < ROUNDS; i++) {
      byte[] broken = mutate(sound, random);
      refused += survives(() -> SheetWorkbook.read(broken), seed + "/" + i) ? 0 : 1;
    }
    assertThat(refused).isPositive();
  }

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3})
  void ids(long seed) {
    Random random = new Random(seed);
    byte[] sound = IDS.getBytes(StandardCharsets.UTF_8);
    assertThat(survives(() -> IdsReader.read(sound), "as it is")).isTrue();
    int refused = 0;
    for (int i = 0; i < ROUNDS; i++) {
      byte[] broken = mutate(sound, random);
      refused += survives(() -> IdsReader.read(broken), seed + "/" + i) ? 0 : 1;
    }
    assertThat(refused).isPositive();
  }

  /** What somebody may type into the cells of the editor. */
  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3})
  void cells(long seed) {
    Random random = new Random(seed);
    String[] typed = {
      "",
      "and",
      "in",
      "perhaps",
      "pattern [",
      "0.1 to",
      "at least x",
      "not",
      "\"",
      "length 3 to",
      "; ;",
      "contains ",
      "missing",
      "a and also ",
      "IfcWall",
      "\u0000",
      "1e999 to 2",
      "yes"
    };
    SheetGrid sound = SheetGrid.of(ShippedSheets.thermal());
    int read = 0;
    int refused = 0;
    for (int i = 0; i < 4 * ROUNDS; i++) {
      List<List<String>> scope = new ArrayList<>();
      sound.scope().forEach(r -> scope.add(new ArrayList<>(r)));
      List<List<String>> properties = new ArrayList<>();
      sound.properties().forEach(r -> properties.add(new ArrayList<>(r)));
      List<List<String>> part = random.nextBoolean() ? scope : properties;
      List<String> row = part.get(1 + random.nextInt(part.size() - 1));
      row.set(random.nextInt(row.size()), typed[random.nextInt(typed.length)]);
      boolean good =
          survives(() -> new SheetGrid(sound.about(), scope, properties).sheet(), seed + "/" + i);
      read += good ? 1 : 0;
      refused += good ? 0 : 1;
    }
    assertThat(read).isPositive();
    assertThat(refused).isPositive();
  }
}
