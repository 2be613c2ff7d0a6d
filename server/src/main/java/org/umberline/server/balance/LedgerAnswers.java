package org.umberline.server.balance;

import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Service;
import org.umberline.core.balance.FeedNutrients;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.ledger.Ledger;
import org.umberline.core.planning.Try;
import org.umberline.core.tank.Blend;
import org.umberline.core.tank.Dosing;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.Feeding;
import org.umberline.core.tank.Food;
import org.umberline.core.tank.SourceWater;
import org.umberline.core.tank.TankModel;
import org.umberline.server.learning.AnswerCache;
import org.umberline.server.learning.AnswerShelf;
import org.umberline.server.learning.Computations;
import org.umberline.server.learning.LearnedTank;
import org.umberline.server.learning.Posteriors;
import org.umberline.server.learning.WorkedAhead;
import org.umberline.server.tank.TankRecords.Stored;

/** The ledger as the page shows it: each line with its sum and what can be tried of it. */
@Service
public class LedgerAnswers implements WorkedAhead {
  private static final String MG_N = "mg N/day";
  private static final String MG_P = "mg P/day";

  private static final double DAYS_A_MONTH = 30;
  private static final double DAYS_A_WEEK = 7;
  private static final double MG_A_GRAM = 1000;

  private final Posteriors posteriors;
  private final Clock clock;
  private final AnswerCache<LedgerViews.Ledgers> usual;
  private final AnswerCache<LedgerViews.Ledgers> others;

  LedgerAnswers(Posteriors posteriors, Clock clock, Computations computations, AnswerShelf shelf) {
    usual = AnswerCache.kept(computations, 100, shelf, "ledger", LedgerViews.Ledgers.class);
    others = new AnswerCache<>(computations, 100);
    this.posteriors = posteriors;
    this.clock = clock;
  }

  /**
   * @param days before today
   */
  public LedgerViews.Ledgers ledgers(Stored stored, int days) {
    return (days == Ledger.DEFAULT_DAYS ? usual : others)
        .get(
            stored,
            stored.tank().dayOf(clock.instant()),
            days,
            () -> {
              LearnedTank now = posteriors.learned(stored, stored.tank().lines());
              List<Ledger> both = Ledger.of(now.posterior(), days);
              return new LedgerViews.Ledgers(
                  view(now, both.get(0)),
                  view(now, both.get(1)),
                  new LedgerViews.PerMg(
                      DAYS_A_MONTH / MG_A_GRAM,
                      Nutrient.NITRATE.ion(DAYS_A_WEEK) / now.tank().netVolumeL(),
                      Nutrient.PHOSPHATE.ion(DAYS_A_WEEK) / now.tank().netVolumeL()));
            });
  }

  @Override
  public void workOut(Stored stored) {
    ledgers(stored, Ledger.DEFAULT_DAYS);
  }

  private static LedgerViews.Ledger view(LearnedTank now, Ledger ledger) {
    boolean nitrogen = ledger.nutrient() == Nutrient.NITRATE;
    return new LedgerViews.Ledger(
        nitrogen ? "N" : "P",
        ledger.days(),
        lines(now, nitrogen, ledger.in()),
        lines(now, nitrogen, ledger.out()),
        amount(ledger.unexplained()),
        lines(now, nitrogen, ledger.held()),
        amount(ledger.netMgLPerWeek()),
        amount(ledger.netGramsPerMonth()));
  }

  private static LedgerViews.Amount amount(Ledger.Amount amount) {
    return new LedgerViews.Amount(amount.mean(), amount.low(), amount.high());
  }

  private static List<LedgerViews.LedgerLine> lines(
      LearnedTank now, boolean nitrogen, List<Ledger.Line> lines) {
    List<LedgerViews.LedgerLine> views = new ArrayList<>();
    for (Ledger.Line line : lines) {
      views.add(
          new LedgerViews.LedgerLine(
              line.key(),
              line.name(),
              line.source(),
              amount(line.perDay()),
              sum(now, nitrogen, line),
              tries(now.tank(), line.key())));
    }
    views.sort((a, b) -> Double.compare(b.perDay().mean(), a.perDay().mean()));
    return views;
  }

  private static List<LedgerViews.Term> sum(LearnedTank now, boolean nitrogen, Ledger.Line line) {
    String unit = nitrogen ? MG_N : MG_P;
    List<LedgerViews.Term> terms = new ArrayList<>();
    if (line.key().startsWith("food:")) {
      food(now, line.key().substring(5), nitrogen, terms);
    } else if (line.key().startsWith("dose:")) {
      String id = line.key().substring(5);
      double ml =
          now.tank().dosing().stream()
              .filter(d -> d.fertiliser().equals(id) && d.span().contains(now.today()))
              .mapToDouble(Dosing::mlPerDay)
              .sum();
      terms.add(term("standing dose", ml, "mL/day", "make-up"));
    } else if (line.key().equals("top-off-water")) {
      terms.add(term("topped off", now.tank().topOff().litresPerDay(), "L/day", "make-up"));
      waters(now.tank(), now.tank().topOff().water(), nitrogen, terms);
    } else if (line.key().equals("change-water")) {
      waters(now.tank(), now.tank().changeWater(), nitrogen, terms);
    }
    terms.add(term("comes to, by the tests", line.perDay().mean(), unit, "mean of the last days"));
    return terms;
  }

  private static void food(
      LearnedTank now, String id, boolean nitrogen, List<LedgerViews.Term> terms) {
    Food food = now.tank().foodById(id);
    double grams =
        now.tank().feeding().stream()
            .filter(f -> f.food().equals(id) && f.span().contains(now.today()))
            .mapToDouble(Feeding::gramsPerDay)
            .sum();
    terms.add(term("weight as fed", grams, "g/day", "make-up"));
    terms.add(term("dry matter", 100 - food.moisturePercent(), "%", "make-up or form of food"));
    if (nitrogen) {
      terms.add(term("protein", food.proteinPercent(), "%", "label or form of food"));
      terms.add(
          term(
              "protein to nitrogen, divided by",
              FeedNutrients.PROTEIN_PER_NITROGEN,
              "g/g",
              "Kjeldahl factor (AOAC; FAO Food and Nutrition 77, 2003)"));
    } else {
      terms.add(term("phosphorus", food.phosphorusPercent(), "%", "label or form of food"));
    }
    FeedNutrients brought = FeedNutrients.whole(food, grams);
    terms.add(
        term(
            "by the label",
            nitrogen ? brought.nitrogen() : brought.phosphorus(),
            nitrogen ? MG_N : MG_P,
            "percents are of the food as fed"));
  }

  private static void waters(
      TankModel tank, Blend blend, boolean nitrogen, List<LedgerViews.Term> terms) {
    for (Blend.Part part : blend.parts()) {
      SourceWater water = tank.waterById(part.water());
      double mgL =
          nitrogen
              ? water.nitrate().map(n -> n.mgPerLitre()).orElse(0.0)
              : water.phosphate().map(p -> p.mgPerLitre()).orElse(0.0);
      terms.add(
          term(
              water.name() + ", " + Math.round(100 * part.share()) + " %",
              mgL,
              nitrogen ? "mg/L NO3" : "mg/L PO4",
              "make-up"));
    }
  }

  private static LedgerViews.Term term(String label, double value, String unit, String origin) {
    return new LedgerViews.Term(label, value, unit, origin);
  }

  // ---------------------------------------------------------------- tries

  private static List<LedgerViews.Slider> tries(TankModel tank, String key) {
    List<LedgerViews.Slider> tries = new ArrayList<>();
    if (key.startsWith("food:")) {
      String id = key.substring(5);
      tries.add(slider(Try.Kind.FEED, id, tank.foodById(id).name(), 1, 0, 2, 0.05));
    } else if (key.startsWith("dose:")) {
      String id = key.substring(5);
      tries.add(slider(Try.Kind.DOSE, id, tank.fertiliserById(id).name(), 1, 0, 3, 0.1));
    } else if (key.equals("plants-taken-out")) {
      tank.plants()
          .forEach(
              plant ->
                  tries.add(
                      slider(
                          Try.Kind.HARVEST,
                          plant.id(),
                          plant.name(),
                          0,
                          0,
                          Math.max(10, Math.round(plant.maxWetMassG() / 20) * 10.0),
                          Math.max(1, Math.rint(plant.maxWetMassG() / 100)))));
    } else if (key.equals("change-water") || key.equals("top-off-water")) {
      Try.Kind kind = key.equals("change-water") ? Try.Kind.CHANGE_WATER : Try.Kind.TOP_OFF;
      Blend now = kind == Try.Kind.TOP_OFF ? tank.topOff().water() : tank.changeWater();
      tank.waters().stream()
          .filter(w -> now.parts().stream().noneMatch(p -> p.water().equals(w.id())))
          .filter(w -> kind == Try.Kind.TOP_OFF || likeTheTank(tank, w))
          .forEach(w -> tries.add(slider(kind, w.id(), w.name(), 0, 0, 1, 1)));
    } else {
      for (ExportMethod export : tank.exports()) {
        if (key.equals("skimmed") && export instanceof ExportMethod.Skimmer skimmer) {
          tries.add(
              slider(
                  Try.Kind.SKIM,
                  export.id(),
                  export.id(),
                  skimmer.removalFractionPerDay(),
                  0,
                  0.9,
                  0.05));
        } else if (key.equals("media-cleaned") && export instanceof ExportMethod.Mechanical) {
          tries.add(slider(Try.Kind.CLEAN, export.id(), export.id(), 0, 0, 7, 0.5));
        }
      }
      if (key.equals("adsorber-renewed")) {
        double most = Math.max(50, Math.round(tank.netVolumeL() / 50) * 50.0);
        tries.add(slider(Try.Kind.ADSORBER, "", "new adsorber", 0, 0, most, 10));
      }
    }
    return tries;
  }

  /** Whether a water could go in unmixed: its salt is near the tank's. */
  private static boolean likeTheTank(TankModel tank, SourceWater water) {
    double furthest = Math.max(1, tank.salinityPpt() / 4);
    return Math.abs(water.salinityPpt().orElse(0) - tank.salinityPpt()) <= furthest;
  }

  private static LedgerViews.Slider slider(
      Try.Kind kind, String id, String name, double now, double least, double most, double step) {
    return new LedgerViews.Slider(kind.name(), id, name, now, least, most, step, kind.unit());
  }
}
