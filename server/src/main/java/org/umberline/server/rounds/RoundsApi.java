package org.umberline.server.rounds;

import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberline.core.planning.Advice;
import org.umberline.server.keeper.SignedIn;
import org.umberline.server.learning.Ahead;
import org.umberline.server.tank.TankRecords;

/** All tanks of a keeper at one look. */
@RestController
@RequestMapping("/api")
class RoundsApi {
  private static final List<Advice.Verdict> URGENCY =
      List.of(
          Advice.Verdict.ACT_NOW,
          Advice.Verdict.STUCK,
          Advice.Verdict.CHANGE,
          Advice.Verdict.TEST_FIRST,
          Advice.Verdict.SKIP);

  private final TankRecords tanks;
  private final RoundsAnswers answers;
  private final Ahead ahead;

  RoundsApi(TankRecords tanks, RoundsAnswers answers, Ahead ahead) {
    this.tanks = tanks;
    this.answers = answers;
    this.ahead = ahead;
  }

  /** Every tank of the keeper, most urgent first. */
  @GetMapping("/rounds")
  List<RoundsViews.RoundsLine> rounds(@SignedIn.Keeper SignedIn keeper) {
    return mostUrgentFirst(tanks.all(keeper.keeperId()).stream().map(answers::line).toList());
  }

  /** The same without waiting: what is known, some of it perhaps being worked out anew. */
  @GetMapping("/rounds/known")
  RoundsViews.KnownRounds known(@SignedIn.Keeper SignedIn keeper) {
    List<RoundsViews.RoundsLine> lines = new ArrayList<>();
    List<RoundsViews.Renewed> renewed = new ArrayList<>();
    for (TankRecords.Stored stored : tanks.all(keeper.keeperId())) {
      var known = answers.known(stored);
      lines.add(known.answer());
      known
          .from()
          .ifPresent(
              at -> {
                ahead.soon(stored.id(), keeper.keeperId());
                OffsetDateTime from = at.atZone(stored.tank().timeZone()).toOffsetDateTime();
                renewed.add(new RoundsViews.Renewed(stored.id(), from));
              });
    }
    return new RoundsViews.KnownRounds(mostUrgentFirst(lines), renewed);
  }

  private static List<RoundsViews.RoundsLine> mostUrgentFirst(List<RoundsViews.RoundsLine> lines) {
    return lines.stream()
        .sorted(Comparator.comparingInt(line -> URGENCY.indexOf(line.verdict())))
        .toList();
  }
}
