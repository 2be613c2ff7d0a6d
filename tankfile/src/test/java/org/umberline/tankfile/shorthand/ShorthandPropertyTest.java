package org.umberline.tankfile.shorthand;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.InputStream;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.umberline.core.tank.Additive;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Blend;
import org.umberline.core.tank.Kit;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Look;
import org.umberline.core.tank.Qualifier;
import org.umberline.core.tank.Sign;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.TestUnit;
import org.umberline.core.upkeep.Task;
import org.umberline.tankfile.TankFileReader;

/** What must hold of every line and every entry, over seeded random ones. */
class ShorthandPropertyTest {
  private static final ZonedDateTime NOW =
      ZonedDateTime.parse("2026-11-25T10:00:00+00:00[Europe/Lisbon]");
  private static final Household BUCKETS = new Household(OptionalDouble.of(10));
  private static TankModel tank;

  @BeforeAll
  static void stillwater() throws Exception {
    try (InputStream in =
        TankFileReader.class.getResourceAsStream("stillwater-example.umberline.json")) {
      tank = TankFileReader.read(new String(in.readAllBytes(), StandardCharsets.UTF_8)).tank();
    }
  }

  private static final String[] PIECES = {
    "no3",
    "po4",
    "ph",
    "kh",
    "20",
    "0.15",
    "1,5",
    "<",
    ">5",
    "=",
    "25%",
    "%",
    "40",
    "L",
    "buckets",
    "change",
    "siphon",
    "half",
    "tap",
    "ro",
    "pure",
    "fed",
    "worms",
    "cubes",
    "4g",
    "g",
    "cut",
    "moss",
    "cleaned",
    "sponge",
    "renewed",
    "ads",
    "60",
    "dosed",
    "added",
    "sugar",
    "kno3",
    "2",
    "ml",
    "dead",
    "axolotl",
    "after",
    "6",
    "h",
    "fast",
    "medicine",
    "quarantine",
    "trial",
    "expecting",
    "less",
    "3",
    "days",
    "saw",
    "film-algae",
    "\"odd sign\"",
    "did",
    "impeller",
    "note",
    "#",
    "yesterday",
    "18:30",
    "25:99",
    "2026-11-20",
    "2026-02-30",
    "ago",
    "at",
    "monday",
    "\"",
    "card",
    "nokit",
    "ppb",
    "NO3-N",
    "-3",
    "99999999999999999999",
    "🐟",
    "é",
    ":"
  };

  @ParameterizedTest
  @ValueSource(ints = {1, 2, 3, 4})
  void noLineThrowsAndNoneIsTakenInPart(int seed) {
    Random random = new Random(seed);
    for (int i = 0; i < 3000; i++) {
      StringBuilder line = new StringBuilder();
      for (int n = random.nextInt(9); n >= 0; n--) {
        line.append(PIECES[random.nextInt(PIECES.length)]);
        line.append(random.nextInt(5) == 0 ? "" : " ");
      }
      Reading reading = Shorthand.read(line.toString(), tank, NOW, BUCKETS);
      if (!reading.problems().isEmpty()) {
        assertThat(reading.entries()).as(line.toString()).isEmpty();
        continue;
      }
      assertThat(reading.understood())
          .as("nothing is taken without a word about it: %s", line)
          .hasSameSizeAs(reading.entries());
      for (LogEntry entry : reading.entries()) {
        same(entry);
      }
    }
  }

  @ParameterizedTest
  @ValueSource(ints = {11, 12, 13})
  void everyEntryIsReadAsItWasWritten(int seed) {
    Random random = new Random(seed);
    for (int i = 0; i < 2000; i++) {
      same(entry(random));
    }
  }

  @Test
  void theHourThatIsThereTwiceKeepsItsPlace() {
    for (String at : List.of("2026-10-25T00:30:00Z", "2026-10-25T01:30:00Z")) {
      same(new LogEntry.Clean(OffsetDateTime.parse(at), tank.exports().get(0).id(), ""));
    }
  }

  @Test
  void anEntryIsToldInWordsWhateverItsInstant() {
    LogEntry entry =
        new LogEntry.Clean(
            OffsetDateTime.parse("2026-11-20T10:00:00.809Z"), tank.exports().get(0).id(), "");
    assertThat(Shorthand.words(entry, tank)).isEqualTo("Cleaned " + tank.exports().get(0).id());
  }

  private static void same(LogEntry entry) {
    String line = ShorthandWriter.write(entry, tank);
    Reading again = Shorthand.read(line, tank, NOW, Household.UNKNOWN);
    assertThat(again.problems()).as(line).isEmpty();
    assertThat(again.entries()).as(line).hasSize(1);
    assertThat(utc(again.entries().get(0))).as(line).isEqualTo(utc(entry));
  }

  /** The entry as a text that does not depend on how its instant is written. */
  private static String utc(LogEntry entry) {
    return entry
            .toString()
            .replace(entry.at().toString(), entry.at().withOffsetSameInstant(ZoneOffset.UTC) + "")
            .replaceAll("Optional\\[", "[")
        + entry.at().toInstant();
  }

  private static LogEntry entry(Random random) {
    OffsetDateTime at =
        NOW.minusSeconds(1 + random.nextInt(30_000_000))
            .toOffsetDateTime()
            .withOffsetSameInstant(ZoneOffset.ofHours(random.nextInt(5) - 2));
    String note = random.nextInt(3) == 0 ? "seen by two # twice, no3 20" : "";
    double amount = Math.max(1e-3, random.nextDouble() * Math.pow(10, random.nextInt(4) - 1));
    return switch (random.nextInt(12)) {
      case 0 -> test(random, at, note);
      case 1 ->
          new LogEntry.WaterChange(
              at,
              random.nextDouble() * tank.netVolumeL(),
              blend(random),
              random.nextInt(3) / 2.0,
              note);
      case 2 ->
          new LogEntry.Clean(
              at,
              any(random, tank.exports()).id(),
              random.nextBoolean() ? OptionalDouble.of(amount) : OptionalDouble.empty(),
              note);
      case 3 -> new LogEntry.Renew(at, any(random, tank.exports()).id(), amount, note);
      case 4 -> new LogEntry.Harvest(at, any(random, tank.plants()).id(), amount, note);
      case 5 -> new LogEntry.Dose(at, any(random, tank.fertilisers()).id(), amount, note);
      case 6 -> new LogEntry.Death(at, amount, random.nextInt(100), note);
      case 7 -> new LogEntry.Feed(at, any(random, tank.foods()).id(), amount, note);
      case 10 -> new LogEntry.Quarantine(at, "six young tetras", 1 + random.nextInt(60), note);
      case 9 -> new LogEntry.Addition(at, any(random, Additive.all()), amount, note);
      case 8 -> new LogEntry.Fast(at, 1 + random.nextInt(30), note);
      default -> observation(random, at, note);
    };
  }

  private static LogEntry observation(Random random, OffsetDateTime at, String note) {
    List<String> signs = new ArrayList<>(Sign.TERMS);
    signs.addAll(List.of("note", "Something Odd", "did-something"));
    String sign =
        random.nextBoolean() ? any(random, signs) : Task.values()[random.nextInt(7)].sign();
    int severity = random.nextInt(4);
    List<Look> looks =
        Task.noted(sign).isPresent() || sign.equals(Sign.NOTE)
            ? List.of()
            : Arrays.stream(Look.values()).filter(look -> random.nextInt(9) == 0).toList();
    return new LogEntry.Observation(at, sign, severity, looks, note);
  }

  private static LogEntry test(Random random, OffsetDateTime at, String note) {
    Analyte analyte = Analyte.values()[random.nextInt(Analyte.values().length)];
    TestUnit unit = any(random, TestUnit.of(analyte));
    Optional<String> kit =
        tank.kits().stream()
            .filter(k -> k.analyte() == analyte && random.nextBoolean())
            .map(Kit::id)
            .findFirst();
    double value = random.nextDouble() * analyte.greatest() / unit.standardPerUnit();
    Qualifier qualifier = Qualifier.values()[random.nextInt(3)];
    return new LogEntry.Test(at, analyte, value, unit, kit, qualifier, note);
  }

  private static Blend blend(Random random) {
    if (random.nextInt(3) == 0) {
      return new Blend(List.of());
    }
    double share = random.nextInt(1000) / 1000.0;
    String first = tank.waters().get(0).id();
    return tank.waters().size() < 2 || share == 0
        ? new Blend(List.of(new Blend.Part(first, 1)))
        : new Blend(
            List.of(
                new Blend.Part(first, share),
                new Blend.Part(
                    tank.waters().get(1).id(),
                    BigDecimal.ONE.subtract(BigDecimal.valueOf(share)).doubleValue())));
  }

  private static <T> T any(Random random, List<T> all) {
    return all.get(random.nextInt(all.size()));
  }
}
