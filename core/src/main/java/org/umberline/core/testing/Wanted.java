package org.umberline.core.testing;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.umberline.core.planning.Advice;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Quarantine;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.WaterKind;
import org.umberline.core.upkeep.Work;

/**
 * A test that matters today, and why. Which tests belong together is common practice, no source.
 */
public record Wanted(Analyte analyte, String why) {
  private static final int SALINITY_DAYS = 7;

  /**
   * The fewest tests that matter, the one that decides most first; none when nothing hangs on any.
   *
   * @param young whether the filter still grows in
   * @param forTrials what running trials ask for today
   */
  public static List<Wanted> of(
      TankModel tank,
      Advice advice,
      List<Work> works,
      boolean young,
      Set<Analyte> forTrials,
      LocalDate today) {
    List<Wanted> wanted = new ArrayList<>();
    Set<Analyte> named = new LinkedHashSet<>();
    for (Advice.Ask ask : advice.asks()) {
      add(
          wanted,
          named,
          ask.analyte(),
          ask.settles() >= 1
              ? "Never tested: without a reading there is only a guess."
              : "A test today changes this advice with a chance of "
                  + Math.round(10 * ask.settles())
                  + " in 10.");
    }
    if (young) {
      add(wanted, named, Analyte.AMMONIA, "The filter grows in: ammonia harms first.");
      add(wanted, named, Analyte.NITRITE, "The filter grows in: nitrite follows ammonia.");
    }
    if (Quarantine.running(tank, today).isPresent()
        && daysSince(tank, Analyte.AMMONIA, today) >= Quarantine.TEST_DAYS) {
      add(wanted, named, Analyte.AMMONIA, "Animals in quarantine: its filter may not keep up.");
    }
    forTrials.forEach(analyte -> add(wanted, named, analyte, "A trial asks for it today."));
    for (Work work : works) {
      if (work.kind() == Work.Kind.TEST && !work.due().isAfter(today)) {
        add(
            wanted,
            named,
            analyte(work.subject()),
            work.lastDone()
                .map(
                    last ->
                        "No test for "
                            + ChronoUnit.DAYS.between(last, today)
                            + " days: the band is wide.")
                .orElse("Never tested."));
      }
    }
    boolean salt = tank.water() == WaterKind.MARINE;
    if (salt && !wanted.isEmpty() && daysSince(tank, Analyte.SALINITY, today) >= SALINITY_DAYS) {
      wanted.add(0, new Wanted(Analyte.SALINITY, "Salinity first: it is the commonest fault."));
    }
    return List.copyOf(wanted);
  }

  private static Analyte analyte(String term) {
    for (Analyte analyte : Analyte.values()) {
      if (analyte.term().equals(term)) {
        return analyte;
      }
    }
    throw new IllegalArgumentException("no analyte is called " + term);
  }

  private static void add(List<Wanted> wanted, Set<Analyte> named, Analyte analyte, String why) {
    if (named.add(analyte)) {
      wanted.add(new Wanted(analyte, why));
    }
  }

  private static long daysSince(TankModel tank, Analyte analyte, LocalDate today) {
    return tank.log().stream()
        .filter(e -> e instanceof LogEntry.Test test && test.analyte() == analyte)
        .map(e -> ChronoUnit.DAYS.between(tank.dayOf(e.at().toInstant()), today))
        .reduce((a, b) -> b)
        .orElse((long) Integer.MAX_VALUE);
  }
}
