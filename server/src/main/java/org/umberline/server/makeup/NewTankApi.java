package org.umberline.server.makeup;

import jakarta.validation.Valid;
import java.time.Clock;
import java.time.DateTimeException;
import java.time.ZoneId;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberline.core.tank.PlantKind;
import org.umberline.core.tank.RoughMeasures.AnimalSize;
import org.umberline.core.tank.RoughMeasures.ChangeWater;
import org.umberline.core.tank.RoughMeasures.Cleaner;
import org.umberline.core.tank.RoughMeasures.PlantCover;
import org.umberline.core.tank.RoughMeasures.Portion;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.Term;
import org.umberline.core.tank.WayOfKeeping;
import org.umberline.server.http.Refused;
import org.umberline.server.http.Terms;
import org.umberline.server.learning.Computations;
import org.umberline.server.tank.TankRecords;
import org.umberline.tankfile.ToldTank;

/** A new tank while its keeper still tells what it is: its file, and what it would come to. */
@RestController
@RequestMapping("/api")
class NewTankApi {
  private final TankRecords tanks;
  private final MakeUpAnswers answers;
  private final Computations computations;
  private final Clock clock;

  NewTankApi(TankRecords tanks, MakeUpAnswers answers, Computations computations, Clock clock) {
    this.tanks = tanks;
    this.answers = answers;
    this.computations = computations;
    this.clock = clock;
  }

  /** Nothing is kept. */
  @PostMapping("/new-tank")
  MakeUpViews.NewTank look(@Valid @RequestBody MakeUpRequests.ToldTank request) {
    ToldTank told = told(request);
    String file = told.file(clock.instant()).toString();
    TankModel tank = tanks.read(file);
    return new MakeUpViews.NewTank(
        file, told.fed().isEmpty() ? null : computations.run(() -> answers.preview(tank)));
  }

  private static ToldTank told(MakeUpRequests.ToldTank request) {
    ChangeWater water = Terms.of(ChangeWater.class, "changeWater", request.changeWater());
    return new ToldTank(
        request.name(),
        request.litres(),
        optional(WayOfKeeping.class, "keeping", request.keeping()),
        request.animals().stream()
            .map(
                one ->
                    new ToldTank.Animals(
                        Terms.of(AnimalSize.class, "animals", one.size()), one.count()))
            .toList(),
        optional(Portion.class, "portion", request.portion())
            .map(portion -> new ToldTank.Fed(portion, request.helpings(), request.feedsPerWeek())),
        optional(PlantKind.class, "plants", request.plants())
            .map(
                kind ->
                    new ToldTank.Grown(
                        kind,
                        optional(PlantCover.class, "cover", request.cover())
                            .orElse(PlantCover.FEW))),
        request.cleaners().stream()
            .distinct()
            .map(one -> Terms.of(Cleaner.class, "cleaners", one))
            .toList(),
        request.ageDays() == null ? OptionalInt.empty() : OptionalInt.of(request.ageDays()),
        Optional.ofNullable(request.changedPercent())
            .map(percent -> new ToldTank.Changed(percent / 100, request.everyDays())),
        water,
        known(request.changeWaterNitrateMgL()),
        known(request.changeWaterPhosphateMgL()),
        known(request.nitrateMgL()),
        known(request.phosphateMgL()),
        zone(request.timeZone()));
  }

  private static OptionalDouble known(Double value) {
    return value == null ? OptionalDouble.empty() : OptionalDouble.of(value);
  }

  private static ZoneId zone(String name) {
    try {
      return ZoneId.of(name);
    } catch (DateTimeException e) {
      throw Refused.field("timeZone", name, "a time zone such as Europe/London");
    }
  }

  private static <E extends Enum<E> & Term> Optional<E> optional(
      Class<E> type, String field, String word) {
    return Optional.ofNullable(word).map(some -> Terms.of(type, field, some));
  }
}
