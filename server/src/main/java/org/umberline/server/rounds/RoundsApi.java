package org.umberline.server.rounds;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberline.core.planning.Advice;
import org.umberline.server.keeper.SignedIn;
import org.umberline.server.tank.TankRecords;

/** All tanks of a keeper at one look. */
@RestController
@RequestMapping("/api")
class RoundsApi {
  private final TankRecords tanks;
  private final RoundsAnswers answers;

  RoundsApi(TankRecords tanks, RoundsAnswers answers) {
    this.tanks = tanks;
    this.answers = answers;
  }

  /** Every tank of the keeper, most urgent first. */
  @GetMapping("/rounds")
  List<RoundsViews.RoundsLine> rounds(@SignedIn.Keeper SignedIn keeper) {
    List<Advice.Verdict> urgency =
        List.of(
            Advice.Verdict.ACT_NOW,
            Advice.Verdict.STUCK,
            Advice.Verdict.CHANGE,
            Advice.Verdict.TEST_FIRST,
            Advice.Verdict.SKIP);
    return tanks.all(keeper.keeperId()).stream()
        .map(answers::line)
        .sorted(java.util.Comparator.comparingInt(line -> urgency.indexOf(line.verdict())))
        .toList();
  }
}
