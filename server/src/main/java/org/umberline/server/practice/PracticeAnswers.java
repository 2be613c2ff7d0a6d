package org.umberline.server.practice;

import static org.umberline.server.balance.AdviceMapper.said;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.springframework.stereotype.Service;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.practice.BetterPlan;
import org.umberline.core.practice.Check;
import org.umberline.core.practice.Filling;
import org.umberline.core.practice.PracticeCase;
import org.umberline.core.practice.PracticeRun;
import org.umberline.core.practice.PracticeWeek;
import org.umberline.server.balance.AdviceMapper;
import org.umberline.server.balance.AdviceViews;
import org.umberline.server.http.Refused;
import org.umberline.server.http.Terms;
import org.umberline.wording.PracticeWords;

/** Practice tanks in words: what is told of them, what was found, what it came to. */
@Service
public class PracticeAnswers {
  /** Written-down figures are the same for every seed. */
  private static final long ANY_SEED = 0;

  public List<PracticeViews.PracticeOffer> offers() {
    return Arrays.stream(PracticeCase.values()).map(PracticeAnswers::offer).toList();
  }

  private static PracticeViews.PracticeOffer offer(PracticeCase which) {
    PracticeRun run = new PracticeRun(which, ANY_SEED, List.of());
    PracticeWords words = new PracticeWords(which, run.stated());
    return new PracticeViews.PracticeOffer(
        which.term(),
        words.name(),
        said(words.brief()),
        said(words.task(run)),
        run.largestChangeL(),
        Arrays.stream(Check.values())
            .map(
                check ->
                    new PracticeViews.PracticeChoice(
                        check.term(), PracticeWords.check(check), check.minutes()))
            .toList(),
        which.fillings().stream()
            .map(
                filling ->
                    new PracticeViews.PracticeChoice(
                        filling.term(), PracticeWords.filling(filling), 0))
            .toList(),
        PracticeRun.WEEKS,
        which.hasPhosphateLine() ? PracticeRun.ADSORBER_MINUTES : null,
        new PracticeViews.PracticeChoice(
            run.watchedBy().term(), PracticeWords.after(run), run.watchedBy().minutes()));
  }

  /**
   * How a tank stands after the weeks that were kept.
   *
   * @throws Refused naming what there isn't, or more than can be done
   */
  public PracticeViews.PracticeState state(PracticeCase which, PracticeRequests.PracticeKept kept) {
    double most = new PracticeRun(which, kept.seed(), List.of()).largestChangeL();
    List<PracticeWeek> done = new ArrayList<>();
    for (int i = 0; i < kept.weeks().size(); i++) {
      done.add(week(which, kept.weeks().get(i), "weeks[" + i + "].", most));
    }
    List<PracticeWeek> all = new ArrayList<>(done);
    boolean over = done.size() == PracticeRun.WEEKS;
    if (!over) {
      all.add(PracticeWeek.looking(checks("looked", kept.looked())));
    }
    PracticeRun run = new PracticeRun(which, kept.seed(), all);
    PracticeWords words = new PracticeWords(which, run.stated());
    List<PracticeRun.Finding> findings = run.findings();
    List<PracticeViews.PracticePast> past = new ArrayList<>();
    for (int i = 0; i < done.size(); i++) {
      past.add(
          new PracticeViews.PracticePast(found(words, findings, i), said(words.done(done.get(i)))));
    }
    return new PracticeViews.PracticeState(
        past,
        over ? List.of() : found(words, findings, done.size()),
        over ? outcome(which, kept.seed(), words, run, done) : null);
  }

  private static List<List<AdviceViews.Said>> found(
      PracticeWords words, List<PracticeRun.Finding> findings, int week) {
    return findings.stream()
        .filter(finding -> finding.week() == week)
        .map(words::found)
        .map(AdviceMapper::said)
        .toList();
  }

  private static PracticeWeek week(
      PracticeCase which, PracticeRequests.PracticeWeekKept week, String at, double most) {
    if (week.litres() > most) {
      throw Refused.field(
          at + "litres", String.valueOf(week.litres()), "0 to " + Math.round(most) + " litres");
    }
    Filling filling = Terms.of(Filling.class, at + "filling", week.filling());
    if (!which.fillings().contains(filling)) {
      throw Refused.field(at + "filling", week.filling(), Filling.USUAL.term());
    }
    if (week.adsorber() && !which.hasPhosphateLine()) {
      throw Refused.field(at + "adsorber", "true", "false: there is none at hand");
    }
    return new PracticeWeek(
        checks(at + "checks", week.checks()),
        week.litres(),
        filling,
        week.feeding(),
        week.adsorber(),
        week.testedAfter());
  }

  private static List<Check> checks(String field, List<String> terms) {
    return terms.stream().map(term -> Terms.of(Check.class, field, term)).toList();
  }

  private static PracticeViews.PracticeOutcome outcome(
      PracticeCase which,
      long seed,
      PracticeWords words,
      PracticeRun run,
      List<PracticeWeek> weeks) {
    BetterPlan better = BetterPlan.of(which, seed);
    Nutrient nutrient = run.watched();
    return new PracticeViews.PracticeOutcome(
        said(words.verdict(run, weeks, better)),
        said(words.hidden(run)),
        said(words.known(run)),
        said(words.yours(run)),
        said(words.better(better)),
        nutrient.unit(),
        nutrient.line(run.stated().lines()).ceilingMgL().orElseThrow(),
        run.highest(),
        better.run().highest(),
        run.findings().stream()
            .filter(finding -> !finding.after() && finding.check() == run.watchedBy())
            .map(
                finding ->
                    new PracticeViews.PracticeReading(
                        finding.week() * PracticeRun.WEEK_DAYS, finding.value()))
            .toList());
  }
}
