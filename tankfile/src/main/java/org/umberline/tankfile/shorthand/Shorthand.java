package org.umberline.tankfile.shorthand;

import java.time.OffsetDateTime;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Stream;
import org.umberline.core.calibration.TestLikelihood;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Blend;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.Food;
import org.umberline.core.tank.Kit;
import org.umberline.core.tank.KitMethod;
import org.umberline.core.tank.Livestock;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.PlantStand;
import org.umberline.core.tank.Qualifier;
import org.umberline.core.tank.Sign;
import org.umberline.core.tank.SourceWater;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.TestUnit;
import org.umberline.core.upkeep.Task;
import org.umberline.tankfile.Figures;
import org.umberline.tankfile.LogWords;
import org.umberline.tankfile.Meant;

/**
 * Reads one line of a keeper's shorthand, such as {@code no3 20 po4 0.15} or {@code change 40 L ro
 * 50 tap 50 yesterday 18:30}. It never guesses in silence: what it takes it says in words, and what
 * it cannot read it names with the nearest thing it can.
 */
public final class Shorthand {
  /** Longest line that is read, characters. */
  public static final int LONGEST_LINE = 500;

  private static final DateTimeFormatter SAID =
      DateTimeFormatter.ofPattern("EEE d MMM yyyy, HH:mm", Locale.ENGLISH);

  private static final List<String> SEVERITY = List.of("gone", "slight", "plain", "severe");

  static final List<String> VERBS =
      List.of(
          "change", "fed", "cut", "cleaned", "renewed", "dosed", "dead", "fast", "saw", "did",
          "note");

  private static final Set<String> CHANGE = Set.of("change", "changed");

  /** Household measures of food: each is what the keeper weighed as one serving. */
  private static final Set<String> SERVINGS =
      Set.of(
          "serving",
          "servings",
          "portion",
          "portions",
          "cube",
          "cubes",
          "pinch",
          "pinches",
          "capful",
          "capfuls",
          "pot",
          "pots",
          "handful",
          "handfuls",
          "scoop",
          "scoops",
          "x");

  /** Makes an entry of its time and the line's remark. */
  private interface Made {
    LogEntry of(OffsetDateTime at, String remark);
  }

  private final TankModel tank;
  private final ZonedDateTime now;
  private final Household household;
  private final Words words;
  private final List<Made> entries = new ArrayList<>();
  private final List<String> understood = new ArrayList<>();
  private final List<String> remarks = new ArrayList<>();
  private final When time;
  private Optional<Repeat> repeat = Optional.empty();
  private String remark = "";

  /**
   * Reads {@code line} for {@code tank} and a keeper whose measures are not known.
   *
   * @param now the present; entries carry it unless the line names another time
   */
  public static Reading read(String line, TankModel tank, ZonedDateTime now) {
    return read(line, tank, now, Household.UNKNOWN);
  }

  /**
   * Reads {@code line} for {@code tank}.
   *
   * @param now the present; entries carry it unless the line names another time
   * @param household what the keeper's own measures hold
   */
  public static Reading read(String line, TankModel tank, ZonedDateTime now, Household household) {
    if (line.length() > LONGEST_LINE) {
      return refused(
          "The line has "
              + line.length()
              + " characters; at most "
              + LONGEST_LINE
              + " are read. Nothing was taken.");
    }
    if (line.isBlank()) {
      return new Reading(List.of(), List.of(), List.of(), List.of());
    }
    Shorthand shorthand =
        new Shorthand(line, tank, now.withZoneSameInstant(tank.timeZone()), household);
    try {
      return shorthand.read();
    } catch (Unreadable problem) {
      return refused(problem.getMessage());
    }
  }

  /** What an entry says, in words, without its time. */
  public static String words(LogEntry entry, TankModel tank) {
    Shorthand shorthand =
        new Shorthand(
            ShorthandWriter.write(entry, tank),
            tank,
            // the present has no fractions of a second, an entry may
            entry.at().atZoneSameInstant(tank.timeZone()).plusSeconds(1),
            Household.UNKNOWN);
    try {
      shorthand.read();
    } catch (Unreadable stale) {
      // it speaks of something that is no longer in the make-up
      return ShorthandWriter.write(entry, tank);
    }
    return shorthand.understood.get(0);
  }

  private static Reading refused(String problem) {
    return new Reading(List.of(), List.of(), List.of(), List.of(problem));
  }

  private Shorthand(String line, TankModel tank, ZonedDateTime now, Household household) {
    this.tank = tank;
    this.household = household;
    this.now = now.truncatedTo(ChronoUnit.SECONDS);
    words = new Words(line);
    time = new When(words, this.now);
  }

  private Reading read() throws Unreadable {
    while (words.hasNext()) {
      if (words.takeIf("#")) {
        remark = words.takeRest();
      } else if (words.takeIf("every")) {
        repeat = Optional.of(Repeat.read(words, time));
      } else if (!time.take()) {
        entry();
      }
    }
    if (entries.isEmpty()) {
      throw new Unreadable("The line names a time and nothing done. Add what was done.");
    }
    ZonedDateTime when = time.at();
    if (when.isAfter(now)) {
      throw new Unreadable(SAID.format(when) + " is still to come; an entry is of now or earlier.");
    }
    if (tank.startedOn().isPresent() && when.toLocalDate().isBefore(tank.startedOn().get())) {
      throw new Unreadable(
          SAID.format(when) + " is before the tank began, " + tank.startedOn().get() + ".");
    }
    List<ZonedDateTime> times = repeat.isPresent() ? repeat.get().times(when, now) : List.of(when);
    String suffix =
        repeat.isPresent()
            ? Repeat.words(times)
            : when.equals(now) ? ", now" : ", " + SAID.format(when);
    List<LogEntry> done = new ArrayList<>();
    for (ZonedDateTime at : times) {
      entries.forEach(entry -> done.add(entry.of(at.toOffsetDateTime(), remark)));
    }
    String remarked = remark.isEmpty() ? suffix : " (" + remark + ")" + suffix;
    return new Reading(
        done, understood.stream().map(text -> text + remarked).toList(), remarks, List.of());
  }

  // ---------------------------------------------------------------- entries

  private void entry() throws Unreadable {
    String word = words.isQuoted() ? "\"" + words.take() + "\"" : words.take();
    Optional<Analyte> analyte = LogWords.analyte(word);
    if (analyte.isPresent()) {
      test(analyte.get());
      return;
    }
    if (isAmountOfChange(word)) {
      change(Double.parseDouble(word.replace(',', '.')), true);
      return;
    }
    switch (word) {
      case "change", "changed" -> change(words.number("A change"), false);
      case "water" -> {
        if (!words.takeIf("change") && !words.takeIf("changed")) {
          throw new Unreadable("Water what? Write change 25% or water change 25%.");
        }
        change(words.number("A change"), false);
      }
      case "fed", "feed" -> fed();
      case "cut", "harvest", "harvested" -> cut();
      case "cleaned", "clean" -> {
        ExportMethod export = oneOf(tank.exports(), ExportMethod::id, ExportMethod::id, "filter");
        add((at, note) -> new LogEntry.Clean(at, export.id(), note), "Cleaned " + export.id());
      }
      case "renewed", "renew" -> renewed();
      case "dosed", "dose" -> dosed();
      case "dead", "died" -> dead();
      case "fast", "fasting" -> {
        int days = (int) Math.round(amount().orElse(1.0));
        if (!words.takeIf("days")) {
          words.takeIf("day");
        }
        if (days < 1 || days > 365) {
          throw new Unreadable("A fast of " + days + " days is not read; 1 to 365 are.");
        }
        add(
            (at, note) -> new LogEntry.Fast(at, days, note),
            "No food for " + days + (days == 1 ? " day" : " days"));
      }
      case "note" -> {
        String note = words.takeRest();
        if (note.isEmpty()) {
          throw new Unreadable("The note is empty. Write it after the word note.");
        }
        add((at, none) -> new LogEntry.Observation(at, "note", 0, note), "Note: " + note);
      }
      case "saw" -> saw();
      case "did" -> did();
      default -> {
        List<String> known = new ArrayList<>(VERBS);
        known.addAll(LogWords.all());
        throw new Unreadable("“" + word + "” can't be read." + Words.nearest(word, known));
      }
    }
  }

  /** A number that is an amount: the 2 of “2 days ago” and of “2 oct” is none. */
  private Optional<Double> amount() {
    return time.begins() ? Optional.empty() : words.takeNumber();
  }

  private Optional<Double> percent() {
    return time.begins() ? Optional.empty() : words.takePercent();
  }

  private void add(Made entry, String text) {
    entries.add(entry);
    understood.add(text);
  }

  private void test(Analyte analyte) throws Unreadable {
    Qualifier qualifier = Qualifier.EQUAL;
    if (words.takeIf("<")) {
      qualifier = Qualifier.BELOW;
    } else if (words.takeIf(">")) {
      qualifier = Qualifier.ABOVE;
    } else {
      words.takeIf("=");
    }
    double read = words.number(analyte.term());
    Optional<TestUnit> named = unit(analyte);
    Optional<Kit> kit = kit(analyte);
    double value = named.isPresent() ? read : Meant.standard(analyte, read, tank.water());
    TestUnit unit = named.orElse(kit.map(Kit::unit).orElse(analyte.standardUnit()));
    double least = analyte.least();
    double most = analyte.greatest() / unit.standardPerUnit();
    if (!(value >= least && value <= most)) {
      throw new Unreadable(
          capital(analyte.term())
              + " "
              + Figures.plain(value)
              + " "
              + unit.label()
              + " can't be right; "
              + Figures.plain(least)
              + " to "
              + Figures.plain(most)
              + " is read.");
    }
    Qualifier taken = qualifier;
    LogEntry.Test sample =
        new LogEntry.Test(
            now.toOffsetDateTime(), analyte, value, unit, kit.map(Kit::id), qualifier, "");
    add(
        (at, note) -> new LogEntry.Test(at, analyte, value, unit, kit.map(Kit::id), taken, note),
        describe(sample, kit));
  }

  private String describe(LogEntry.Test test, Optional<Kit> kit) {
    String value =
        (test.qualifier() == Qualifier.BELOW
                ? "below "
                : test.qualifier() == Qualifier.ABOVE ? "above " : "")
            + Figures.plain(test.value())
            + (test.unit() == TestUnit.PH ? "" : " " + test.unit().label());
    String text = capital(test.analyte().term()) + " " + value;
    if (kit.isEmpty()) {
      return text;
    }
    text += " with the kit “" + kit.get().id() + "”";
    if (kit.get().method() == KitMethod.COLOUR_CARD && test.qualifier() == Qualifier.EQUAL) {
      TestLikelihood card = TestLikelihood.of(test, kit.get());
      text +=
          Double.isInfinite(card.highest())
              ? " (" + Figures.plain(card.lowest()) + " or more)"
              : " (between "
                  + Figures.plain(card.lowest())
                  + " and "
                  + Figures.plain(card.highest())
                  + ")";
      double onCard = test.standardValue() / kit.get().unit().standardPerUnit();
      if (kit.get().steps().stream().noneMatch(step -> Math.abs(step - onCard) < 1e-9)) {
        remarks.add(
            Figures.plain(test.value())
                + " is not a step of the card; it counts as the nearest one.");
      }
    }
    kit.get()
        .max()
        .ifPresent(
            max -> {
              if (test.qualifier() == Qualifier.EQUAL
                  && test.standardValue() / kit.get().unit().standardPerUnit() > max) {
                remarks.add(
                    "This kit ends at "
                        + Figures.plain(max)
                        + "; was it over range? Then write >"
                        + Figures.plain(max)
                        + ".");
              }
            });
    return text;
  }

  private Optional<TestUnit> unit(Analyte analyte) throws Unreadable {
    String word = words.peek().replace('µ', 'u').replace('μ', 'u');
    boolean perLitre = word.equals("mg/l") || word.equals("ppm");
    boolean micro = word.equals("ug/l") || word.equals("ppb");
    String species = perLitre || micro ? words.peek(1) : word;
    Optional<TestUnit> spelled =
        TestUnit.of(analyte).stream()
            .filter(
                unit ->
                    unit.label().equalsIgnoreCase((micro ? "ug/L " : "mg/L ") + species)
                            && (perLitre || micro || species.contains("-"))
                        || !perLitre && !micro && unit.label().equalsIgnoreCase(word))
            .findFirst();
    if (spelled.isPresent()) {
      words.take();
      if (perLitre || micro) {
        words.take();
      }
      return spelled;
    }
    if (perLitre) {
      words.take();
      return TestUnit.find(analyte, "ppm");
    }
    boolean ofAnother = word.matches("(no3|no2|nh3|po4)-[np]|dkh|dgh|ppt|meq/l");
    if (micro && analyte == Analyte.PHOSPHATE) {
      words.take();
      return Optional.of(TestUnit.MICROGRAM_PHOSPHORUS);
    }
    if (micro || ofAnother) {
      throw new Unreadable(
          "“"
              + word
              + "” is no unit of "
              + analyte.term()
              + "; "
              + String.join(", ", TestUnit.of(analyte).stream().map(TestUnit::label).toList())
              + (TestUnit.of(analyte).size() == 1 ? " is." : " are."));
    }
    return Optional.empty();
  }

  private Optional<Kit> kit(Analyte analyte) {
    List<Kit> fitting = tank.kits().stream().filter(k -> k.analyte() == analyte).toList();
    Optional<Kit> named = named(fitting, Kit::id, Kit::id);
    if (named.isPresent()) {
      return named;
    }
    if (words.takeIf("nokit")) {
      return Optional.empty();
    }
    return fitting.stream().findFirst();
  }

  /** Whether a number just taken is of a change: 25 %, or named after it as in 40 L change. */
  private boolean isAmountOfChange(String word) {
    int unit = words.peek(1).equals("water") ? 2 : 1;
    return word.matches("\\d+([.,]\\d+)?")
        && (words.peek().equals("%") || CHANGE.contains(words.peek(unit)));
  }

  private void change(double amount, boolean namedAfter) throws Unreadable {
    double litres;
    if (words.takeIf("%")) {
      if (amount <= 0 || amount > 100) {
        throw new Unreadable(
            "A change of " + Figures.plain(amount) + " % is not possible; over 0 to 100 % is.");
      }
      litres = Math.round(tank.netVolumeL() * amount) / 100.0;
    } else if (words.takeIf("bucket") || words.takeIf("buckets")) {
      if (household.bucketLitres().isEmpty()) {
        throw new Unreadable(
            "What a bucket holds isn’t known yet: give its litres once, under Upkeep.");
      }
      litres = held(amount * household.bucketLitres().getAsDouble());
    } else if (words.takeIf("l") || words.takeIf("litres") || words.takeIf("litre")) {
      litres = held(amount);
    } else {
      throw new Unreadable(
          "A change needs %, L or buckets after "
              + Figures.plain(amount)
              + ", as in change 25% or change 40 L.");
    }
    if (namedAfter) {
      words.takeIf("water");
      if (CHANGE.contains(words.peek())) {
        words.take();
      }
    }
    Blend blend = blend();
    double siphoned = 0;
    if (words.takeIf("siphon") || words.takeIf("siphoned")) {
      siphoned = words.takeIf("half") ? 0.5 : percent().orElse(1.0);
      if (siphoned < 0 || siphoned > 1) {
        throw new Unreadable("The siphoned share of the bed lies between 0 and 100 %.");
      }
    }
    double bed = siphoned;
    double poured = litres;
    add(
        (at, note) -> new LogEntry.WaterChange(at, poured, blend, bed, note),
        "Change of "
            + Figures.plain(poured)
            + " L, "
            + Figures.plain(100 * poured / tank.netVolumeL())
            + " % of "
            + Figures.plain(tank.netVolumeL())
            + " L, with "
            + describe(blend)
            + (bed > 0 ? ", " + Figures.plain(100 * bed) + " % of the bed siphoned" : ""));
  }

  private double held(double litres) throws Unreadable {
    if (litres <= 0 || litres > tank.netVolumeL()) {
      throw new Unreadable(
          "A change of "
              + Figures.plain(litres)
              + " L is not possible; the tank holds "
              + Figures.plain(tank.netVolumeL())
              + " L.");
    }
    return litres;
  }

  private Blend blend() throws Unreadable {
    if (words.takeIf("pure")) {
      return new Blend(List.of());
    }
    List<Blend.Part> parts = new ArrayList<>();
    double sum = 0;
    while (true) {
      Optional<SourceWater> water = named(tank.waters(), SourceWater::id, SourceWater::name);
      if (water.isEmpty()) {
        break;
      }
      double share = percent().orElse(1.0);
      parts.add(new Blend.Part(water.get().id(), share));
      sum += 100 * share;
    }
    if (parts.isEmpty()) {
      return tank.changeWater();
    }
    if (Math.abs(sum - 100) > 0.1) {
      throw new Unreadable(
          "The shares of the waters add to " + Figures.plain(sum) + " %; they must add to 100.");
    }
    return new Blend(parts);
  }

  private String describe(Blend blend) {
    if (blend.parts().isEmpty()) {
      return "pure water";
    }
    return String.join(
        " and ",
        blend.parts().stream()
            .map(
                part ->
                    (blend.parts().size() > 1 ? Figures.plain(100 * part.share()) + " % " : "")
                        + tank.waterById(part.water()).name())
            .toList());
  }

  private void fed() throws Unreadable {
    Optional<Double> amount = amount();
    boolean servings = amount.isPresent() && servings();
    grams();
    Food food = oneOf(tank.foods(), Food::id, Food::name, "food");
    if (amount.isEmpty()) {
      amount = amount();
      servings = amount.isPresent() && servings();
      grams();
    }
    if (servings && food.servingG().isEmpty()) {
      throw new Unreadable(
          "One serving of "
              + food.name()
              + " isn’t weighed yet: weigh one and give its grams in Make-up, or write grams.");
    }
    Optional<Double> grams = amount;
    if (food.servingG().isPresent() && (servings || amount.isEmpty())) {
      grams = Optional.of(amount.orElse(1.0) * food.servingG().getAsDouble());
    }
    double mass =
        grams.orElseThrow(
            () ->
                new Unreadable(
                    "How much " + food.name() + "? Write grams, as in fed " + food.id() + " 4g."));
    positive(mass, "feed", 100_000);
    add(
        (at, note) -> new LogEntry.Feed(at, food.id(), mass, note),
        "Fed " + Figures.plain(mass) + " g of " + food.name() + " besides the ration");
  }

  private void cut() throws Unreadable {
    PlantStand plant = oneOf(tank.plants(), PlantStand::id, PlantStand::name, "plant");
    double mass = words.number("Cutting " + plant.name());
    grams();
    positive(mass, "cutting", 1_000_000);
    add(
        (at, note) -> new LogEntry.Harvest(at, plant.id(), mass, note),
        "Cut " + Figures.plain(mass) + " g (wet) of " + plant.name());
  }

  private void renewed() throws Unreadable {
    ExportMethod export = oneOf(tank.exports(), ExportMethod::id, ExportMethod::id, "medium");
    double listed = export instanceof ExportMethod.PhosphateAdsorber a ? a.massG() : 0;
    double mass = amount().orElse(listed);
    grams();
    positive(mass, "renewed medium", 1_000_000);
    add(
        (at, note) -> new LogEntry.Renew(at, export.id(), mass, note),
        "Renewed " + export.id() + " with " + Figures.plain(mass) + " g");
  }

  private void dosed() throws Unreadable {
    var fertiliser = oneOf(tank.fertilisers(), f -> f.id(), f -> f.name(), "fertiliser");
    double ml = words.number("A dose of " + fertiliser.name());
    words.takeIf("ml");
    positive(ml, "dose", 1_000_000);
    add(
        (at, note) -> new LogEntry.Dose(at, fertiliser.id(), ml, note),
        "Dosed " + Figures.plain(ml) + " mL of " + fertiliser.name());
  }

  private void dead() throws Unreadable {
    Optional<Double> first = amount();
    boolean weighed = first.isPresent() && grams();
    double mass;
    String who;
    if (weighed) {
      mass = first.get();
      who = "Death of an animal, ";
    } else {
      Livestock animal = oneOf(tank.livestock(), Livestock::name, Livestock::name, "animal");
      int count = (int) Math.round(first.orElse(1.0));
      if (count < 1 || count > Math.max(1, animal.count())) {
        throw new Unreadable(
            "There are " + animal.count() + " " + animal.name() + "; 1 to that many can die.");
      }
      mass = amount().orElse(count * animal.massG());
      grams();
      who = "Death of " + (count == 1 ? "one " : count + " ") + animal.name() + ", ";
    }
    double hours = 24;
    if (words.takeIf("after")) {
      hours = words.number("“after”");
      if (!words.takeIf("h") && !words.takeIf("hours") && !words.takeIf("hour")) {
        throw new Unreadable("After how many hours was it taken out? Write after 6 h.");
      }
      if (hours < 0 || hours > 8760) {
        throw new Unreadable("Taken out after 0 to 8760 hours is read.");
      }
    }
    positive(mass, "body", 1_000_000);
    double left = hours;
    add(
        (at, note) -> new LogEntry.Death(at, mass, left, note),
        who + Figures.plain(mass) + " g, taken out after " + Figures.plain(hours) + " h");
  }

  private void saw() throws Unreadable {
    boolean named = words.isQuoted();
    String word = named ? words.takeAsWritten() : words.take();
    if (!named) {
      List<String> known = signs();
      if (!known.contains(word)) {
        throw new Unreadable(
            (word.isEmpty() ? "Saw what?" : "“" + word + "” is no sign I know.")
                + Words.nearest(word, known)
                + " Any other goes in quotation marks, or into a note.");
      }
    }
    if (word.isEmpty() || word.length() > 100) {
      throw new Unreadable("A sign has 1 to 100 characters.");
    }
    int severity = (int) Math.round(amount().orElse(1.0));
    if (severity < 0 || severity > 3) {
      throw new Unreadable("How bad is 0 (gone) to 3 (severe); found " + severity + ".");
    }
    add(
        (at, note) -> new LogEntry.Observation(at, word, severity, note),
        "Saw " + word.replace('-', ' ') + ", " + SEVERITY.get(severity));
  }

  /** The trade's signs and those this tank's log has. */
  private List<String> signs() {
    return Stream.concat(
            Sign.TERMS.stream(),
            tank.log().stream()
                .filter(LogEntry.Observation.class::isInstance)
                .map(entry -> ((LogEntry.Observation) entry).sign()))
        .filter(sign -> !sign.equals("note") && Task.ofSign(sign).isEmpty())
        .distinct()
        .toList();
  }

  private void did() throws Unreadable {
    String word = words.take();
    Task task =
        Task.find(word)
            .orElseThrow(
                () ->
                    new Unreadable(
                        (word.isEmpty() ? "Did what?" : "“" + word + "” is no work I know.")
                            + Words.nearest(word, Task.terms())));
    add((at, note) -> new LogEntry.Observation(at, task.sign(), 0, note), "Done: " + task.words());
  }

  private boolean servings() {
    if (words.isQuoted() || !SERVINGS.contains(words.peek())) {
      return false;
    }
    words.take();
    words.takeIf("of");
    return true;
  }

  private boolean grams() {
    return words.takeIf("g") || words.takeIf("grams");
  }

  private static void positive(double value, String what, double most) throws Unreadable {
    if (!(value > 0 && value <= most)) {
      throw new Unreadable(
          "A "
              + what
              + " of "
              + Figures.plain(value)
              + " is not read; over 0 to "
              + Figures.plain(most)
              + " is.");
    }
  }

  private <T> T oneOf(List<T> all, Function<T, String> id, Function<T, String> name, String kind)
      throws Unreadable {
    Optional<T> found = named(all, id, name);
    if (found.isPresent()) {
      return found.get();
    }
    if (all.isEmpty()) {
      throw new Unreadable("This tank has no " + kind + " in its make-up.");
    }
    String word = words.peek();
    throw new Unreadable(
        (word.isEmpty() ? "Which " + kind + "?" : "No " + kind + " is called “" + word + "”.")
            + Words.nearest(word, all.stream().map(id).toList()));
  }

  /** The thing whose id, whole name or one word of whose name comes next; it is taken. */
  private <T> Optional<T> named(List<T> all, Function<T, String> id, Function<T, String> name) {
    String word = words.peek();
    if (word.isEmpty()) {
      return Optional.empty();
    }
    String written = words.peekAsWritten();
    Optional<T> called =
        all.stream()
            .filter(item -> id.apply(item).equals(written))
            .findFirst()
            .or(
                () ->
                    all.stream().filter(item -> id.apply(item).equalsIgnoreCase(word)).findFirst());
    if (called.isPresent()) {
      words.take();
      return called;
    }
    for (T item : all) {
      String[] parts = name.apply(item).toLowerCase(Locale.ROOT).split("\\s+");
      if (List.of(parts).contains(word)) {
        words.take();
        for (int i = 0; i < parts.length && List.of(parts).contains(words.peek()); i++) {
          words.take();
        }
        return Optional.of(item);
      }
    }
    return Optional.empty();
  }

  private static String capital(String term) {
    return term.equals("pH") ? term : Character.toUpperCase(term.charAt(0)) + term.substring(1);
  }
}
