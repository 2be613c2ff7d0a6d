package org.umberline.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.planning.Advice.DueWork;
import org.umberline.core.planning.Advice.Help;
import org.umberline.core.planning.Advice.Pulled;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.TankModel;

/** What else helps besides water, and work ahead, in words. */
final class LeverWords {
  /** What is cut more often than this is told by the week. Chosen. */
  private static final double OFTEN_DAYS = 14;

  private final TankModel tank;

  LeverWords(TankModel tank) {
    this.tank = tank;
  }

  /** What else helps, and how much is to be changed then. */
  Phrase help(Help help) {
    if (help.fraction().isEmpty()) {
      return Phrase.of(levers(help), ".");
    }
    double fraction = help.fraction().getAsDouble();
    return Phrase.of(
        levers(help),
        fraction <= 0
            ? ": no change is needed then."
            : ": "
                + SmallWords.percent(fraction)
                + " every "
                + SmallWords.days(help.everyDays())
                + " is enough.");
  }

  /** What is done, one thing or two, without what it leaves. */
  Phrase levers(Help help) {
    return Phrase.of(
        lever(help.first(), help.forNutrient()),
        help.and()
            .map(and -> Phrase.of(" and ", small(lever(and, help.forNutrient()))))
            .orElse(Phrase.NONE));
  }

  private static Phrase small(Phrase phrase) {
    if (phrase.parts().get(0) instanceof Phrase.Text first) {
      List<Phrase.Part> parts = new ArrayList<>(phrase.parts());
      String text = first.text();
      parts.set(0, new Phrase.Text(Character.toLowerCase(text.charAt(0)) + text.substring(1)));
      return new Phrase(parts);
    }
    return phrase;
  }

  private Phrase lever(Pulled pulled, Nutrient nutrient) {
    double amount = Math.abs(pulled.amount());
    String of = pulled.of().map(this::named).orElse("");
    return switch (pulled.lever()) {
      case FEED ->
          Phrase.of(pulled.amount() < 0 ? "Feed " : "Feed about ", share(amount, pulled.amount()));
      case ANIMALS -> Phrase.of("Keep " + SmallWords.percent(amount) + " fewer animals");
      case PLANTS -> Phrase.of("Give " + of + " twice the room");
      case HARVEST ->
          Phrase.of(
              "Cut about ",
              Phrase.amount(SmallWords.tens(amount), "g"),
              " of " + of + " a week more");
      case MEDIA_CLEANING -> Phrase.of("Clean " + of + " once a week more");
      case ADSORBER_RENEWAL ->
          Phrase.of("Renew " + of + " now and every " + Math.round(amount / 7) + " weeks");
      case ADSORBER_MASS ->
          Phrase.of(
              "Put in about ",
              Phrase.amount(SmallWords.tens(amount), "g"),
              hasAdsorber() ? " more phosphate adsorber" : " of phosphate adsorber");
      case SKIMMER -> Phrase.of("Run a skimmer");
      case SIPHON -> Phrase.of("Siphon a quarter of the bed every week");
      case WATER -> Phrase.of("Change with " + of + " instead");
      case FILTER_LESS -> Phrase.of("Run " + of + " half as much");
      case DOSE ->
          pulled.of().isPresent()
              ? Phrase.of("Dose about ", SmallWords.level(amount, "mL"), " of " + of + " a day")
              : Phrase.of(
                  "Dose about ",
                  SmallWords.level(amount, "g"),
                  nutrient == Nutrient.NITRATE
                      ? " of potassium nitrate over a week"
                      : " of monopotassium phosphate over a week");
    };
  }

  private boolean hasAdsorber() {
    return tank.exports().stream().anyMatch(ExportMethod.PhosphateAdsorber.class::isInstance);
  }

  /** Work ahead that the plan counts on, without its day. */
  Phrase work(DueWork work) {
    String of = named(work.of());
    return switch (work.kind()) {
      case RENEW -> Phrase.of("Renew " + of);
      case HARVEST -> {
        double every = work.everyDays().orElse(Double.MAX_VALUE);
        boolean weekly = every < OFTEN_DAYS;
        double grams = weekly ? work.grams() * MineralSaid.DAYS_A_WEEK / every : work.grams();
        yield Phrase.of(
            "Cut about ",
            Phrase.amount(SmallWords.tens(grams), "g"),
            " of " + of + " ",
            weekly ? "a week" : Phrase.of("about ", work.on()));
      }
    };
  }

  private static String share(double amount, double signed) {
    String part =
        amount < 0.15 ? "a tenth" : amount < 0.25 ? "a fifth" : amount < 0.4 ? "a third" : "half";
    return part + (signed < 0 ? " less" : " more");
  }

  /** The name the keeper gave a thing, or its id with spaces. */
  private String named(String id) {
    return Stream.of(
            tank.foods().stream().filter(f -> f.id().equals(id)).map(f -> f.name()),
            tank.plants().stream().filter(p -> p.id().equals(id)).map(p -> p.name()),
            tank.waters().stream().filter(w -> w.id().equals(id)).map(w -> w.name()),
            tank.fertilisers().stream().filter(f -> f.id().equals(id)).map(f -> f.name()),
            tank.exports().stream()
                .map(ExportMethod::id)
                .filter(id::equals)
                .map(name -> "the " + name.replace('-', ' ')))
        .flatMap(names -> names)
        .findFirst()
        .orElse(id);
  }
}
