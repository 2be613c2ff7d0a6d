package org.umberline.server.rounds;

import java.time.Duration;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberline.core.planning.Advice;
import org.umberline.server.keeper.SignedIn;
import org.umberline.server.learning.Ahead;
import org.umberline.server.learning.AnswerCache;
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

  /** So long tanks that nothing is known of are worked out while the page waits. Chosen. */
  private static final Duration WAITED_FOR = Duration.ofSeconds(1);

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

  /** The same with little waiting: what is known, some of it perhaps being worked out anew. */
  @GetMapping("/rounds/known")
  RoundsViews.KnownRounds known(@SignedIn.Keeper SignedIn keeper) {
    long until = System.nanoTime() + WAITED_FOR.toNanos();
    List<RoundsViews.RoundsLine> lines = new ArrayList<>();
    List<RoundsViews.Renewed> renewed = new ArrayList<>();
    List<RoundsViews.Coming> coming = new ArrayList<>();
    for (TankRecords.Stored stored : tanks.all(keeper.keeperId())) {
      var known = answers.known(stored);
      known.ifPresent(line -> lines.add(line.answer()));
      Optional<Instant> from = known.flatMap(AnswerCache.Known::from);
      if (known.isPresent() && from.isEmpty()) {
        continue;
      }
      ahead.soon(stored.id(), keeper.keeperId());
      if (from.isPresent()) {
        OffsetDateTime at = from.get().atZone(stored.tank().timeZone()).toOffsetDateTime();
        renewed.add(new RoundsViews.Renewed(stored.id(), at));
      } else if (System.nanoTime() > until) {
        coming.add(new RoundsViews.Coming(stored.id(), stored.tank().name(), stored.site()));
      } else {
        lines.add(answers.line(stored));
      }
    }
    return new RoundsViews.KnownRounds(mostUrgentFirst(lines), renewed, coming);
  }

  private static List<RoundsViews.RoundsLine> mostUrgentFirst(List<RoundsViews.RoundsLine> lines) {
    return lines.stream()
        .sorted(Comparator.comparingInt(line -> URGENCY.indexOf(line.verdict())))
        .toList();
  }
}
