package org.umberline.server.bench;

import static org.umberline.server.http.Absent.orNull;

import java.time.Clock;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.calibration.Quantiles;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.judging.Surprise;
import org.umberline.core.planning.Advice;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Kit;
import org.umberline.core.tank.KitMethod;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Qualifier;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.TestUnit;
import org.umberline.core.testing.BenchReading;
import org.umberline.core.testing.KitSteps;
import org.umberline.core.testing.Wanted;
import org.umberline.core.trial.TestDue;
import org.umberline.core.upkeep.Care;
import org.umberline.core.upkeep.StandardCheck;
import org.umberline.core.upkeep.Task;
import org.umberline.core.upkeep.Work;
import org.umberline.server.devices.DeviceTrouble;
import org.umberline.server.devices.PhotometerLine;
import org.umberline.server.http.Refused;
import org.umberline.server.http.Terms;
import org.umberline.server.learning.Advices;
import org.umberline.server.learning.AnswerCache;
import org.umberline.server.learning.AnswerShelf;
import org.umberline.server.learning.Computations;
import org.umberline.server.learning.LearnedTank;
import org.umberline.server.learning.Posteriors;
import org.umberline.server.learning.WorkedAhead;
import org.umberline.server.tank.TankRecords;
import org.umberline.server.tank.TankRecords.Stored;
import org.umberline.tankfile.Figures;
import org.umberline.tankfile.LogWords;
import org.umberline.tankfile.shorthand.Reading;
import org.umberline.tankfile.shorthand.Shorthand;
import org.umberline.wording.KitWords;

/** A testing session over the keeper's tanks. */
@Service
public class BenchAnswers implements WorkedAhead {
  /** So few tests of a kit are worth a word. */
  private static final int FEW_TESTS = 5;

  private final TankRecords tanks;
  private final Posteriors posteriors;
  private final Advices advices;
  private final PhotometerLine photometer;
  private final Clock clock;
  private final AnswerCache<BenchViews.BenchTank> benches;

  public BenchAnswers(
      TankRecords tanks,
      Posteriors posteriors,
      PhotometerLine photometer,
      Clock clock,
      Computations computations,
      Advices advices,
      AnswerShelf shelf) {
    this.advices = advices;
    benches = AnswerCache.kept(computations, 300, shelf, "bench", BenchViews.BenchTank.class);
    this.tanks = tanks;
    this.posteriors = posteriors;
    this.photometer = photometer;
    this.clock = clock;
  }

  /** What there is to test in every tank. */
  public BenchViews.Bench bench(UUID keeper) {
    return new BenchViews.Bench(
        photometer.isKnown(),
        tanks.all(keeper).stream()
            .map(this::benchTank)
            .sorted(
                Comparator.comparing(
                    tank -> tank.tests().stream().allMatch(t -> t.why().isEmpty())))
            .toList());
  }

  private BenchViews.BenchTank benchTank(Stored stored) {
    return benches.get(
        stored,
        stored.tank().dayOf(clock.instant()),
        List.of(stored.site(), stored.careVersion(), photometer.isKnown()),
        () -> view(stored));
  }

  @Override
  public void workOut(Stored stored) {
    benchTank(stored);
  }

  private static Set<Analyte> trials(TankModel tank, LocalDate today) {
    return TestDue.of(tank, today).stream()
        .map(due -> due.trial().analyte())
        .collect(Collectors.toCollection(LinkedHashSet::new));
  }

  private BenchViews.BenchTank view(Stored stored) {
    LearnedTank now = posteriors.learned(stored, stored.tank().lines());
    TankModel tank = now.tank();
    Advice advice = advices.of(stored);
    List<Work> works = Work.of(tank, stored.care(), now.standing(), now.today(), Map.of());
    boolean young = now.posterior().scenario().isNew();
    List<Wanted> wanted =
        Wanted.of(tank, advice, works, young, trials(tank, now.today()), now.today());
    List<BenchViews.BenchTest> tests = new ArrayList<>();
    for (Wanted one : wanted) {
      tests.add(test(stored, now, one.analyte(), kitFor(tank, one.analyte()), one.why()));
    }
    for (Kit kit : tank.kits()) {
      boolean there = tests.stream().anyMatch(test -> kit.id().equals(test.kit()));
      if (!there) {
        tests.add(test(stored, now, kit.analyte(), Optional.of(kit), ""));
      }
    }
    return new BenchViews.BenchTank(
        stored.id(),
        tank.name(),
        stored.site(),
        now.today(),
        stored.careVersion(),
        tests,
        tank.log().stream()
            .filter(
                e ->
                    e instanceof LogEntry.Observation seen
                        && seen.sign().equals(Task.CALIBRATION.sign()))
            .map(e -> tank.dayOf(e.at().toInstant()))
            .sorted(Comparator.reverseOrder())
            .limit(5)
            .toList());
  }

  private static Optional<Kit> kitFor(TankModel tank, Analyte analyte) {
    return tank.kits().stream().filter(kit -> kit.analyte() == analyte).findFirst();
  }

  private BenchViews.BenchTest test(
      Stored stored, LearnedTank now, Analyte analyte, Optional<Kit> kit, String why) {
    Optional<Care.Shelf> shelf =
        kit.flatMap(
            k -> stored.care().shelf().stream().filter(s -> s.kit().equals(k.id())).findFirst());
    double[] levels = levels(now.posterior(), analyte);
    TestUnit unit = kit.map(Kit::unit).orElse(analyte.standardUnit());
    List<KitSteps.Step> steps =
        kit.map(
                k ->
                    KitSteps.of(
                        k,
                        shelf.map(Care.Shelf::steps).orElse(""),
                        shelf.map(Care.Shelf::minutes).orElse(OptionalDouble.empty())))
            .orElse(List.of());
    return new BenchViews.BenchTest(
        analyte.term(),
        kit.map(Kit::id).orElse(null),
        why,
        unit.label(),
        kit.filter(k -> k.method() == KitMethod.COLOUR_CARD).map(Kit::steps).orElse(List.of()),
        kit.map(k -> k.method() == KitMethod.PHOTOMETER).orElse(false) && photometer.isKnown(),
        expected(levels, unit, 0.1),
        expected(levels, unit, 0.9),
        steps.stream()
            .map(step -> new BenchViews.KitStep(step.text(), orNull(step.minutes())))
            .toList(),
        shelf.map(s -> shelfNote(s, kit.get(), now.tank(), now.today())).orElse(""));
  }

  private static Double expected(double[] levels, TestUnit unit, double quantile) {
    if (levels.length == 0) {
      return null;
    }
    double[] sorted = levels.clone();
    Quantiles.sort(sorted);
    return Quantiles.of(sorted, quantile) / unit.standardPerUnit();
  }

  private static String shelfNote(Care.Shelf shelf, Kit kit, TankModel tank, LocalDate today) {
    List<String> notes = new ArrayList<>();
    shelf
        .expiresOn()
        .ifPresent(
            day ->
                notes.add(
                    day.isBefore(today)
                        ? "The reagent expired on " + day + ": a reading with it is worth little."
                        : ChronoUnit.DAYS.between(today, day) < 30
                            ? "The reagent expires on " + day + "."
                            : ""));
    OptionalInt left = shelf.left(tank);
    if (left.isPresent() && left.getAsInt() <= FEW_TESTS) {
      notes.add("About " + left.getAsInt() + " tests are left.");
    }
    shelf.standing(tank).ifPresent(check -> notes.add(KitWords.check(check, kit, today).plain()));
    return String.join(" ", notes).trim();
  }

  /** The analyte in the draws now, in its standard unit; none where the model knows nothing. */
  private static double[] levels(Posterior posterior, Analyte analyte) {
    double volume = posterior.scenario().volumeL();
    return switch (analyte) {
      case NITRATE ->
          posterior.draws().stream()
              .mapToDouble(d -> Nutrient.NITRATE.ion(d.state().nitrateMg() / volume))
              .toArray();
      case PHOSPHATE ->
          posterior.draws().stream()
              .mapToDouble(d -> Nutrient.PHOSPHATE.ion(d.state().phosphorusMg() / volume))
              .toArray();
      default -> new double[0];
    };
  }

  /** What readings come to, and whether they contradict what is believed. Nothing is kept. */
  public BenchViews.BenchResult result(Stored stored, BenchRequests.Readings request) {
    TankModel tank = stored.tank();
    Analyte analyte = Terms.of(Analyte.class, "analyte", request.analyte());
    Optional<Kit> kit =
        tank.kits().stream()
            .filter(k -> k.analyte() == analyte && k.id().equals(request.kit()))
            .findFirst();
    Qualifier qualifier = Terms.of(Qualifier.class, "qualifier", request.qualifier());
    TestUnit unit = kit.map(Kit::unit).orElse(analyte.standardUnit());
    BenchReading reading;
    try {
      reading =
          BenchReading.of(request.values(), qualifier, request.dilution(), request.lowRange());
    } catch (IllegalArgumentException refused) {
      throw Refused.field("values", String.valueOf(request.values()), refused.getMessage());
    }
    Optional<StandardCheck> check = corrects(stored, kit, qualifier);
    double value =
        Figures.rounded(
            check.map(c -> c.corrected(kit.get(), reading.value())).orElse(reading.value()));
    // a diluted sample's value is no step of the card: it is noted as read without one
    boolean offCard =
        (request.dilution() > 1 || request.lowRange() > 1)
            && kit.map(k -> k.method() == KitMethod.COLOUR_CARD).orElse(false);
    Optional<Kit> noted = offCard ? Optional.empty() : kit;
    Optional<String> corrected =
        check.map(c -> KitWords.corrected(c, reading.value(), unit.label()));
    String line = line(analyte, unit, noted, reading, value, request, corrected);
    Reading read = Shorthand.read(line, tank, clock.instant().atZone(tank.timeZone()));
    if (!read.problems().isEmpty()) {
      throw Refused.field(
          "values", Figures.plain(value) + " " + unit.label(), String.join(" ", read.problems()));
    }
    LogEntry.Test test =
        new LogEntry.Test(
            clock.instant().atZone(tank.timeZone()).toOffsetDateTime(),
            analyte,
            value,
            unit,
            noted.map(Kit::id),
            qualifier,
            "");
    double[] levels = levels(posteriors.learned(stored, tank.lines()).posterior(), analyte);
    Optional<Surprise> surprise =
        levels.length == 0
            ? Optional.empty()
            : Optional.of(Surprise.of(levels, test, noted.orElseGet(() -> Kit.unnamed(analyte))));
    return new BenchViews.BenchResult(
        value,
        unit.label(),
        Shorthand.words(test, tank) + corrected.map(how -> " (" + how + ")").orElse(""),
        line,
        reading.spread(),
        TestUnit.of(analyte).stream()
            .filter(other -> other != unit)
            .map(
                other ->
                    new BenchViews.Figure(
                        test.standardValue() / other.standardPerUnit(), other.label()))
            .toList(),
        surprise.map(Surprise::surprising).orElse(false),
        surprise.map(s -> (s.low() / unit.standardPerUnit())).orElse(null),
        surprise.map(s -> (s.high() / unit.standardPerUnit())).orElse(null));
  }

  /** The check of a kit by which a reading has to be made up for; a bound can't be. */
  private static Optional<StandardCheck> corrects(
      Stored stored, Optional<Kit> kit, Qualifier qualifier) {
    return kit.filter(any -> qualifier == Qualifier.EQUAL)
        .flatMap(
            k ->
                stored.care().shelf().stream()
                    .filter(shelf -> shelf.kit().equals(k.id()))
                    .findFirst()
                    .flatMap(shelf -> shelf.standing(stored.tank()))
                    .filter(check -> check.corrects(k)));
  }

  /** The line of shorthand that notes it, with how it was come by. */
  private static String line(
      Analyte analyte,
      TestUnit unit,
      Optional<Kit> kit,
      BenchReading reading,
      double value,
      BenchRequests.Readings request,
      Optional<String> corrected) {
    List<String> how = new ArrayList<>();
    corrected.ifPresent(how::add);
    if (request.values().size() > 1) {
      how.add(
          "median of " + String.join(", ", request.values().stream().map(Figures::plain).toList()));
    }
    if (request.dilution() > 1) {
      how.add("diluted " + Figures.plain(request.dilution()) + " times");
    }
    if (request.lowRange() > 1) {
      how.add("low range, " + Figures.plain(request.lowRange()) + " times the sample");
    }
    if (kit.isEmpty() && request.kit() != null) {
      how.add("with " + request.kit());
    }
    if (request.remark() != null && !request.remark().isBlank()) {
      how.add(request.remark().strip());
    }
    String mark = reading.qualifier() == Qualifier.EQUAL ? "" : reading.qualifier().term();
    return LogWords.wordFor(analyte)
        + " "
        + mark
        + Figures.plain(value)
        + (analyte == Analyte.PH ? "" : " " + unit.label())
        + kit.map(k -> " \"" + k.id() + "\"").orElse(" nokit")
        + (how.isEmpty() ? "" : " # " + String.join("; ", how));
  }

  /** How far a measurement with the photometer is; asking again under the same id measures once. */
  public BenchViews.Measurement measure(Stored stored, UUID id, String kitId) {
    Kit kit =
        stored.tank().kits().stream()
            .filter(k -> k.id().equals(kitId))
            .findFirst()
            .orElseThrow(() -> Refused.field("kit", kitId, "one of the tank's kits"));
    try {
      PhotometerLine.Measurement measured = photometer.measure(id, kit.analyte().term());
      Double value =
          measured.mgL().isPresent()
              ? measured.mgL().getAsDouble() / kit.unit().standardPerUnit()
              : null;
      return new BenchViews.Measurement(
          measured.done() ? "done" : "measuring", value, measured.qualifier().term(), "");
    } catch (DeviceTrouble trouble) {
      return new BenchViews.Measurement("trouble", null, "=", trouble.getMessage());
    }
  }
}
