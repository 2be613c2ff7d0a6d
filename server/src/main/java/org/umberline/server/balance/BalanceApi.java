package org.umberline.server.balance;

import static org.umberline.server.http.Absent.orNull;

import jakarta.validation.Valid;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.tank.Lines;
import org.umberline.core.tank.Routine;
import org.umberline.server.http.Refused;
import org.umberline.server.http.Terms;
import org.umberline.server.keeper.SignedIn;
import org.umberline.server.learning.Posteriors;
import org.umberline.server.tank.TankRecords;

/** The answer for one tank, what is tried of it, and the routine and lines it is asked with. */
@RestController
@RequestMapping("/api/tanks/{id}")
class BalanceApi {
  /** No test reads more, mg/L. */
  private static final double MOST_MG_L = 1000;

  private final TankRecords tanks;
  private final BalanceAnswers answers;
  private final PastAnswers pasts;
  private final Posteriors posteriors;

  BalanceApi(TankRecords tanks, BalanceAnswers answers, PastAnswers pasts, Posteriors posteriors) {
    this.tanks = tanks;
    this.answers = answers;
    this.pasts = pasts;
    this.posteriors = posteriors;
  }

  @GetMapping("/balance")
  BalanceViews.Balance balance(@SignedIn.Keeper SignedIn keeper, @PathVariable UUID id) {
    return answers.balance(tanks.one(id, keeper.keeperId()));
  }

  @GetMapping("/past")
  BalanceViews.Past past(@SignedIn.Keeper SignedIn keeper, @PathVariable UUID id) {
    return pasts.past(tanks.one(id, keeper.keeperId()));
  }

  @PostMapping("/what-if")
  BalanceViews.Outlook whatIf(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @Valid @RequestBody BalanceRequests.Try request) {
    return answers.whatIf(tanks.one(id, keeper.keeperId()), request);
  }

  /** The change, or the few, that bring a nutrient to a level; mg/L of the ion. */
  @GetMapping("/one-off")
  AdviceViews.OneOff oneOff(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "nitrate") String nutrient,
      @RequestParam(defaultValue = "0") double to) {
    Nutrient known = Terms.of(Nutrient.class, "nutrient", nutrient);
    if (!(to >= 0 && to <= MOST_MG_L)) {
      throw Refused.field("to", String.valueOf(to), "0 to 1000 mg/L");
    }
    return answers.oneOff(tanks.one(id, keeper.keeperId()), known, to);
  }

  /** What keepers who judge otherwise than this tank's would say today. */
  @GetMapping("/other-views")
  List<AdviceViews.OtherSchool> otherViews(
      @SignedIn.Keeper SignedIn keeper, @PathVariable UUID id) {
    return answers.otherViews(tanks.one(id, keeper.keeperId()));
  }

  @PutMapping("/routine")
  BalanceViews.Balance routine(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @Valid @RequestBody BalanceRequests.RoutineChange request) {
    Optional<Routine> routine =
        request.fraction() == null
            ? Optional.empty()
            : Optional.of(new Routine(request.fraction(), request.everyDays(), request.nextOn()));
    return answers.balance(
        tanks.change(id, keeper.keeperId(), request.version(), tank -> tank.withRoutine(routine)));
  }

  @PutMapping("/lines")
  BalanceViews.Balance lines(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @Valid @RequestBody BalanceRequests.LinesChange request) {
    Lines lines =
        new Lines(BalanceAnswers.line(request.nitrate()), BalanceAnswers.line(request.phosphate()));
    return answers.balance(
        tanks.change(id, keeper.keeperId(), request.version(), tank -> tank.withLines(lines)));
  }

  /** How far the calibration of this tank is, while one is under way. */
  @GetMapping("/progress")
  WorkingViews.Progress progress(@SignedIn.Keeper SignedIn keeper, @PathVariable UUID id) {
    var share = posteriors.progress(tanks.one(id, keeper.keeperId()).id());
    return new WorkingViews.Progress(orNull(share));
  }
}
