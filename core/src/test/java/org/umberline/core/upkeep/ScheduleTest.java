package org.umberline.core.upkeep;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Random;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.umberline.core.TankBuilder;
import org.umberline.core.tank.AdsorberPlacement;
import org.umberline.core.tank.Blend;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.Sign;
import org.umberline.core.tank.Span;
import org.umberline.core.tank.TankModel;

class ScheduleTest {
  private static final LocalDate TODAY = TankBuilder.START.plusDays(100);
  private static final int DAYS = 56;
  private static final Span ALWAYS = new Span(TankBuilder.START, Optional.empty());

  private static TankModel tank(LogEntry... log) {
    return startedOn(TankBuilder.START, log);
  }

  private static TankModel startedOn(LocalDate day, LogEntry... log) {
    return new TankBuilder()
        .startedOn(day)
        .build()
        .withExports(
            List.of(
                new ExportMethod.Mechanical("sponge", 0.3, ALWAYS),
                new ExportMethod.Skimmer("skim", 0.2, ALWAYS),
                new ExportMethod.PhosphateAdsorber(
                    "ads", 50, 6, AdsorberPlacement.REACTOR, ALWAYS)))
        .withLog(List.of(log));
  }

  private static OffsetDateTime noon(int daysAgo) {
    return TODAY.minusDays(daysAgo).atTime(LocalTime.NOON).atOffset(ZoneOffset.UTC);
  }

  private static LogEntry cleaned(int daysAgo) {
    return new LogEntry.Clean(noon(daysAgo), "sponge", "");
  }

  private static LogEntry changed(int daysAgo) {
    return new LogEntry.WaterChange(noon(daysAgo), 20, new Blend(List.of()), 0, "");
  }

  private static List<Work> works(TankModel tank, Care care, Optional<Routine> standing) {
    return Work.of(tank, care, standing, TODAY, Map.of());
  }

  private static Work sponge(TankModel tank, Care care) {
    return works(tank, care, Optional.empty()).stream()
        .filter(work -> work.key().equals("clean:sponge"))
        .findFirst()
        .orElseThrow();
  }

  private static List<Schedule.Occurrence> laidOut(TankModel tank, Care care, Routine routine) {
    Optional<Routine> standing = Optional.of(routine);
    return Schedule.of(tank, care, works(tank, care, standing), standing, List.of(), TODAY, DAYS)
        .occurrences();
  }

  private static Care with(OptionalInt every, Optional<LocalDate> nextOn) {
    return Care.NONE.with(new Care.Habit("clean:sponge", every, nextOn));
  }

  private static Care doing(List<Task> tasks, List<Care.OwnTask> own) {
    Care none = Care.NONE;
    return new Care(
        none.bucketLitres(),
        none.conditionerMlPer100L(),
        none.chloramineMgL(),
        none.hotC(),
        none.coldC(),
        List.of(),
        3,
        tasks,
        own,
        List.of(),
        List.of());
  }

  @Test
  void aFilterThatGrowsInIsLeftAloneUnlessItsKeeperNamesADay() {
    LocalDate started = TODAY.minusDays(35);
    TankModel tank = startedOn(started, changed(34));
    assertThat(sponge(tank, Care.NONE).due()).isEqualTo(started.plusDays(60));
    assertThat(sponge(tank, with(OptionalInt.of(14), Optional.empty())).due())
        .isEqualTo(started.plusDays(60));
    assertThat(sponge(tank, with(OptionalInt.empty(), Optional.of(TODAY))).due()).isEqualTo(TODAY);
  }

  @Test
  void aSpongeIsDueAMonthAfterItWasCleaned() {
    Work late = sponge(tank(cleaned(33)), Care.NONE);
    assertThat(late.lateDays(TODAY)).isEqualTo(3);
    assertThat(late.lastDone()).contains(TODAY.minusDays(33));
    assertThat(sponge(tank(cleaned(30)), Care.NONE).lateDays(TODAY)).isZero();
  }

  @Test
  void weakFlowAsksForTheFilterUntilItIsCleanedOrTheFlowIsBack() {
    LogEntry weak = new LogEntry.Observation(noon(2), Sign.WEAK_FLOW, 2, "");
    Work work = sponge(tank(cleaned(10), weak), Care.NONE);
    assertThat(work.due()).isEqualTo(TODAY.minusDays(2));
    assertThat(work.origin()).isEqualTo(Work.Origin.SEEN);
    assertThat(sponge(tank(cleaned(10), weak, cleaned(1)), Care.NONE).due())
        .isEqualTo(TODAY.plusDays(29));
    LogEntry back = new LogEntry.Observation(noon(1), Sign.WEAK_FLOW, 0, "");
    assertThat(sponge(tank(cleaned(10), weak, back), Care.NONE).origin())
        .isEqualTo(Work.Origin.TRADE);
  }

  @Test
  void workOfAKeepersOwnIsLaidOutByItsName() {
    Care care = doing(List.of(), List.of(new Care.OwnTask("new lamp", 365)));
    LogEntry done = new LogEntry.Observation(noon(360), Task.signOf("new lamp"), 0, "");
    assertThat(works(tank(done), care, Optional.empty()))
        .filteredOn(work -> work.key().equals("did:new lamp"))
        .singleElement()
        .satisfies(work -> assertThat(work.due()).isEqualTo(TODAY.plusDays(5)));
  }

  @Test
  void whatWasNeverNotedIsDueAtMostAndNotLate() {
    Work old = sponge(tank(changed(200), changed(3)), Care.NONE);
    assertThat(old.due()).isEqualTo(TODAY);
    assertThat(old.lateDays(TODAY)).isZero();
    Work young = sponge(tank(changed(10)), Care.NONE);
    assertThat(young.due()).isEqualTo(TODAY.plusDays(20));
  }

  @Test
  void theKeepersIntervalOutweighsTheTradesAndNoneTakesTheWorkAway() {
    TankModel tank = tank(cleaned(10));
    Work often = sponge(tank, with(OptionalInt.of(14), Optional.empty()));
    assertThat(often.due()).isEqualTo(TODAY.plusDays(4));
    assertThat(often.origin()).isEqualTo(Work.Origin.KEEPER);
    assertThat(works(tank, with(OptionalInt.of(0), Optional.empty()), Optional.empty()))
        .noneMatch(work -> work.key().equals("clean:sponge"));
  }

  @Test
  void anAdsorberIsRenewedWhenTheModelSeesItSpent() {
    Map<String, LocalDate> seen = Map.of("renew:ads", TODAY.plusDays(9));
    assertThat(Work.of(tank(), Care.NONE, Optional.empty(), TODAY, seen))
        .anyMatch(
            work ->
                work.key().equals("renew:ads")
                    && work.due().equals(TODAY.plusDays(9))
                    && work.origin() == Work.Origin.MODEL);
  }

  /** Whatever the rhythm and whatever was moved where: the rules hold. */
  @ParameterizedTest
  @ValueSource(ints = {1, 2, 3, 4, 5, 6})
  void filterCleaningKeepsAwayFromChangesWhateverIsMoved(int seed) {
    Random random = new Random(seed);
    for (int i = 0; i < 200; i++) {
      TankModel tank = tank(cleaned(4 + random.nextInt(80)), changed(random.nextInt(20)));
      Routine routine =
          new Routine(0.2, 7 + random.nextInt(20), TODAY.plusDays(random.nextInt(25) - 10));
      LocalDate wish = TODAY.plusDays(random.nextInt(30) - 3);
      Optional<Schedule.Objection> against =
          Schedule.against(
              tank,
              Care.NONE,
              sponge(tank, Care.NONE),
              Optional.of(routine),
              List.of(),
              TODAY,
              wish);
      Care care = against.isEmpty() ? with(OptionalInt.empty(), Optional.of(wish)) : Care.NONE;
      List<Schedule.Occurrence> all = laidOut(tank, care, routine);
      List<LocalDate> changes = new ArrayList<>();
      tank.log().stream()
          .filter(LogEntry.WaterChange.class::isInstance)
          .forEach(entry -> changes.add(tank.dayOf(entry.at().toInstant())));
      all.stream()
          .filter(o -> o.work().kind() == Work.Kind.CHANGE)
          .forEach(o -> changes.add(o.on()));
      List<LocalDate> cleanings =
          all.stream()
              .filter(o -> o.work().key().equals("clean:sponge"))
              .map(Schedule.Occurrence::on)
              .toList();
      assertThat(cleanings)
          .allSatisfy(
              day ->
                  assertThat(changes)
                      .as("sponge on %s, %s, moved %s", day, routine, care.habits())
                      .allMatch(change -> Math.abs(ChronoUnit.DAYS.between(change, day)) >= 3));
      if (against.isEmpty()) {
        assertThat(cleanings).as("a move that is allowed is kept").startsWith(wish);
      }
      assertThat(all)
          .allMatch(o -> !o.on().isBefore(TODAY) && o.on().isBefore(TODAY.plusDays(DAYS)));
    }
  }

  @Test
  void aMoveThatBreaksTheRuleIsRefusedWithTheNearestDay() {
    TankModel tank = tank(cleaned(20));
    Optional<Routine> weekly = Optional.of(new Routine(0.2, 7, TODAY.plusDays(5)));
    assertThat(
            Schedule.against(
                tank,
                Care.NONE,
                sponge(tank, Care.NONE),
                weekly,
                List.of(),
                TODAY,
                TODAY.plusDays(6)))
        .hasValueSatisfying(why -> assertThat(why.nearest()).contains(TODAY.plusDays(8)));
  }

  @Test
  void whereChangesComeTooOftenItIsSaid() {
    assertThat(laidOut(tank(cleaned(31)), Care.NONE, new Routine(0.1, 2, TODAY)))
        .filteredOn(o -> o.work().key().equals("clean:sponge"))
        .first()
        .satisfies(o -> assertThat(o.moved()).contains(Schedule.Moved.NOT_FAR_ENOUGH));
  }

  @Test
  void flossFollowsTheDayAfterAChange() {
    Care care = doing(List.of(Task.FLOSS), List.of());
    assertThat(laidOut(tank(), care, new Routine(0.2, 7, TODAY.plusDays(2))))
        .filteredOn(o -> o.work().key().equals("did:floss") && o.on().isAfter(TODAY))
        .isNotEmpty()
        .allMatch(o -> ChronoUnit.DAYS.between(TODAY.plusDays(2), o.on()) % 7 == 1);
  }

  @Test
  void whatIsLateIsSpreadAndMissedChangesAreNotAddedUp() {
    Routine missed = new Routine(0.2, 7, TODAY.minusDays(16));
    List<Schedule.Occurrence> all =
        laidOut(
            tank(
                cleaned(90),
                new LogEntry.Clean(noon(90), "skim", ""),
                new LogEntry.Renew(noon(90), "ads", 50, "")),
            Care.NONE,
            missed);
    Map<LocalDate, Integer> late = new TreeMap<>();
    all.stream()
        .filter(o -> o.lateDays() > 0 && o.work().kind() != Work.Kind.CHANGE)
        .forEach(o -> late.merge(o.on(), 1, Integer::sum));
    assertThat(late).hasSizeGreaterThan(1);
    assertThat(late.values()).allMatch(count -> count <= Schedule.CATCH_UP_A_DAY);
    assertThat(all)
        .filteredOn(o -> o.work().kind() == Work.Kind.CHANGE)
        .extracting(Schedule.Occurrence::on)
        .startsWith(TODAY, TODAY.plusDays(7));
    assertThat(CatchUp.of(missed, TODAY)).contains(new CatchUp(3, TODAY.minusDays(16)));
    assertThat(CatchUp.of(missed.startingOn(TODAY), TODAY)).isEmpty();
  }
}
