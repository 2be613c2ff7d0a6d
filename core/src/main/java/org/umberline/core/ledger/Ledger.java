package org.umberline.core.ledger;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.IntToDoubleFunction;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.calibration.Quantiles;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.simulation.Flow;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.simulation.Scenario;
import org.umberline.core.simulation.TankSimulator;
import org.umberline.core.simulation.TankState;
import org.umberline.core.simulation.Trace;

/**
 * The balance of one nutrient over some days up to the as-of day, as far as the tests let it be
 * known. It closes: what came in, less what went out, and what nobody wrote down, is the change of
 * what is held. Amounts are mg of N or P a day; each is the mean of the draws, so that the sums
 * close, with the range that eight draws in ten lie in.
 *
 * @param in what came in
 * @param out what went out for good
 * @param unexplained what the tests require and the entries do not account for; in counts positive
 * @param held change of what water, rock, solids, plants and media hold
 * @param netMgLPerWeek what the water would gain a week without any change, as mg/L of the ion
 * @param netGramsPerMonth the same in g of the ion for the whole tank and 30 days
 */
public record Ledger(
    Nutrient nutrient,
    int days,
    List<Line> in,
    List<Line> out,
    Amount unexplained,
    List<Line> held,
    Amount netMgLPerWeek,
    Amount netGramsPerMonth) {
  /** Days a ledger covers unless asked otherwise. */
  public static final int DEFAULT_DAYS = 28;

  private static final int MOST_DRAWS = 250;
  private static final double DAYS_PER_WEEK = 7;
  private static final double DAYS_PER_MONTH = 30;

  /** A mean with the range of eight draws in ten. */
  public record Amount(double mean, double low, double high) {}

  /**
   * One line of the ledger.
   *
   * @param key the flow or stock, with the id of the food or fertiliser after a colon
   * @param name what it is
   * @param source what the figure rests on
   */
  public record Line(String key, String name, String source, Amount perDay) {}

  /** What went out by {@code flow}, mg a day; empty where nothing did. */
  public Optional<Amount> out(Flow flow) {
    return out.stream().filter(line -> line.key().equals(key(flow))).map(Line::perDay).findFirst();
  }

  private static String key(Flow flow) {
    return flow.name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  /** The ledgers of nitrogen and phosphorus, in the order of {@link Nutrient}. */
  public static List<Ledger> of(Posterior posterior, int days) {
    Scenario scenario = posterior.scenario();
    int end = scenario.asOfDay() + 1;
    int begin = Math.max(0, end - days);
    int draws = Math.min(MOST_DRAWS, posterior.draws().size());
    TankSimulator simulator = TankSimulator.quick(scenario);
    Trace trace = new Trace(scenario);
    TankState[] before = new TankState[draws];
    TankState[] after = new TankState[draws];
    for (int i = 0; i < draws; i++) {
      Posterior.Draw draw = posterior.draws().get(i);
      before[i] = draw.start().copy();
      simulator.run(before[i], 0, begin, draw.multipliers(), PlannedChanges.NONE, trace);
      after[i] = before[i].copy();
      simulator.run(after[i], begin, end, draw.multipliers(), PlannedChanges.NONE, trace);
    }
    List<Ledger> ledgers = new ArrayList<>();
    for (Nutrient nutrient : Nutrient.values()) {
      ledgers.add(new Account(scenario, nutrient, begin, end, before, after).ledger());
    }
    return ledgers;
  }

  /** One nutrient's account while it is drawn up. */
  private static final class Account {
    private final Scenario scenario;
    private final Nutrient nutrient;
    private final int begin;
    private final int end;
    private final TankState[] before;
    private final TankState[] after;
    private final boolean nitrogen;

    Account(
        Scenario scenario,
        Nutrient nutrient,
        int begin,
        int end,
        TankState[] before,
        TankState[] after) {
      this.scenario = scenario;
      this.nutrient = nutrient;
      this.begin = begin;
      this.end = end;
      this.before = before;
      this.after = after;
      nitrogen = nutrient == Nutrient.NITRATE;
    }

    Ledger ledger() {
      List<Line> in = new ArrayList<>();
      foods(in);
      put(in, "what animals give off besides food", "fasts and deaths logged", Flow.ANIMALS);
      put(in, "soil", "new soil gives off ammonia; figure chosen", Flow.SOIL);
      fertilisers(in);
      salts(in);
      put(in, "not listed", "learned from tests", Flow.UNLISTED);
      put(in, "change water", "logged changes, the water's own figures", Flow.CHANGE_WATER);
      put(in, "top-off water", "litres a day, the water's own figures", Flow.TOP_OFF_WATER);
      put(in, "plants put in", "make-up", Flow.PLANTS_PUT_IN);
      List<Line> out = new ArrayList<>();
      put(out, "water taken out", "logged changes", Flow.WATER_TAKEN_OUT);
      put(out, "waste siphoned", "logged changes", Flow.SIPHONED);
      put(out, "plants taken out", "logged harvests, tissue by kind", Flow.PLANTS_TAKEN_OUT);
      put(out, "skimmed", "skimmer's share, a guess of the make-up", Flow.SKIMMED);
      put(out, "cleaned out of the filter", "logged cleanings", Flow.MEDIA_CLEANED);
      put(out, "adsorber renewed", "logged renewals", Flow.ADSORBER_RENEWED);
      put(out, "denitrified in gear", "bed, filter, rock; learned from tests", Flow.DENITRIFIED);
      put(out, "lost as nitrogen gas in the tank", "learned from tests", Flow.DENITRIFIED_UNSEEN);
      put(out, "lost to films and mud", "learned from tests", Flow.PHOSPHORUS_LOST);
      put(out, "built into the animals", "share kept by stage", Flow.GROWTH_OF_ANIMALS);
      List<Line> held = new ArrayList<>();
      hold(held, "water", this::waterMg);
      hold(held, "waste", s -> nitrogen ? s.wasteNitrogenMg() : s.wastePhosphorusMg());
      hold(held, "media", s -> nitrogen ? s.caughtNitrogenMg() : s.caughtPhosphorusMg());
      hold(held, "plants", s -> growing(s) - algae(s));
      hold(held, "algae", this::algae);
      if (!nitrogen) {
        hold(held, "rock and sand", TankState::boundPhosphorusMg);
        hold(held, "adsorbers", TankState::adsorbedPhosphorusMg);
      }
      double volume = scenario.volumeL();
      Amount net =
          amount(
              i ->
                  nutrient.ion(1)
                      * DAYS_PER_WEEK
                      / volume
                      * (change(i, this::waterMg)
                          + flow(i, Flow.WATER_TAKEN_OUT)
                          - flow(i, Flow.CHANGE_WATER)
                          - unexplainedInWater(i)));
      double monthly = volume / 1000 * DAYS_PER_MONTH / DAYS_PER_WEEK;
      return new Ledger(
          nutrient,
          end - begin,
          List.copyOf(in),
          List.copyOf(out),
          amount(i -> flow(i, Flow.UNEXPLAINED_IN) - flow(i, Flow.UNEXPLAINED_OUT)),
          List.copyOf(held),
          net,
          new Amount(net.mean() * monthly, net.low() * monthly, net.high() * monthly));
    }

    private double waterMg(TankState state) {
      return nitrogen
          ? state.ammoniaMg() + state.nitriteMg() + state.nitrateMg()
          : state.phosphorusMg();
    }

    private double growing(TankState state) {
      return nitrogen ? scenario.plantNitrogenMg(state) : scenario.plantPhosphorusMg(state);
    }

    private double algae(TankState state) {
      return nitrogen ? scenario.algaeNitrogenMg(state) : scenario.algaePhosphorusMg(state);
    }

    /** Of what jumped, the part in the water; rock jumps along with phosphate. */
    private double unexplainedInWater(int draw) {
      double all = flow(draw, Flow.UNEXPLAINED_IN) - flow(draw, Flow.UNEXPLAINED_OUT);
      if (nitrogen) {
        return all;
      }
      double water = after[draw].phosphorusMg();
      double both = water + after[draw].boundPhosphorusMg();
      return both > 0 ? all * water / both : 0;
    }

    private void foods(List<Line> in) {
      double[] nominal = new double[scenario.tank().foods().size()];
      for (int f = 0; f < nominal.length; f++) {
        for (int day = begin; day < end; day++) {
          nominal[f] +=
              nitrogen ? scenario.nitrogenOfFood(f, day) : scenario.phosphorusOfFood(f, day);
        }
      }
      double all = Arrays.stream(nominal).sum();
      for (int f = 0; f < nominal.length; f++) {
        double share = all > 0 ? nominal[f] / all : 0;
        if (share > 0) {
          in.add(
              new Line(
                  "food:" + scenario.tank().foods().get(f).id(),
                  scenario.tank().foods().get(f).name(),
                  "ration and label; how much of it is true, learned from tests",
                  amount(i -> share * flow(i, Flow.FOOD))));
        }
      }
    }

    private void fertilisers(List<Line> in) {
      for (int f = 0; f < scenario.tank().fertilisers().size(); f++) {
        var fertiliser = scenario.tank().fertilisers().get(f);
        double ml = 0;
        for (int day = begin; day < end; day++) {
          ml += scenario.mlOfFertiliser(f, day);
        }
        double mg = ml * (nitrogen ? fertiliser.nitrogenMgPerMl() : fertiliser.phosphorusMgPerMl());
        if (mg > 0) {
          in.add(
              new Line(
                  "dose:" + fertiliser.id(),
                  fertiliser.name(),
                  "doses as entered",
                  amount(i -> mg / (end - begin))));
        }
      }
    }

    private void salts(List<Line> in) {
      double mg = 0;
      for (int day = begin; day < end; day++) {
        mg += nitrogen ? scenario.saltNitrogen(day) : scenario.saltPhosphorus(day);
      }
      if (mg > 0) {
        double perDay = mg / (end - begin);
        in.add(new Line("salts", "salts", "given dry, as entered", amount(i -> perDay)));
      }
    }

    private void put(List<Line> lines, String name, String source, Flow flow) {
      Amount amount = amount(i -> flow(i, flow));
      if (amount.high() > 0) {
        lines.add(new Line(key(flow), name, source, amount));
      }
    }

    private interface Stock {
      double mg(TankState state);
    }

    private void hold(List<Line> lines, String name, Stock stock) {
      Amount amount = amount(i -> change(i, stock));
      if (amount.low() != 0 || amount.high() != 0) {
        lines.add(new Line("held:" + name, name, "change over the days", amount));
      }
    }

    private double change(int draw, Stock stock) {
      return (stock.mg(after[draw]) - stock.mg(before[draw])) / (end - begin);
    }

    private double flow(int draw, Flow flow) {
      double moved =
          nitrogen
              ? after[draw].nitrogenMg(flow) - before[draw].nitrogenMg(flow)
              : after[draw].phosphorusMg(flow) - before[draw].phosphorusMg(flow);
      return moved / (end - begin);
    }

    private Amount amount(IntToDoubleFunction ofDraw) {
      double[] sample = new double[after.length];
      Arrays.setAll(sample, ofDraw);
      double mean = Arrays.stream(sample).average().orElse(0);
      Quantiles.sort(sample);
      return new Amount(mean, Quantiles.of(sample, 0.1), Quantiles.of(sample, 0.9));
    }
  }
}
