package org.umberline.tankfile.shorthand;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
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
import org.umberline.core.tank.SourceWater;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.TestUnit;
import org.umberline.tankfile.Figures;

/**
 * Reads one line of a keeper's shorthand, such as {@code no3 20 po4 0.15} or {@code change 40 L ro
 * 50 tap 50 yesterday 18:30}. It never guesses in silence: what it takes it says in words, and what
 * it cannot read it names with the nearest thing it can.
 */
public final class Shorthand {
  /** Longest line that is read, characters. */
  public static final int LONGEST_LINE = 500;

  private static final DateTimeFormatter WHEN =
      DateTimeFormatter.ofPattern("EEE d MMM yyyy, HH:mm", Locale.ENGLISH);

  private static final Map<String, Analyte> ANALYTES = new LinkedHashMap<>();
  private static final List<String> VERBS =
      List.of("change", "fed", "cut", "cleaned", "renewed", "dosed", "dead", "fast", "note");

  static {
    alias(Analyte.NITRATE, "no3", "nitrate");
    alias(Analyte.PHOSPHATE, "po4", "phosphate");
    alias(Analyte.AMMONIA, "nh3", "nh4", "tan", "ammonia");
    alias(Analyte.NITRITE, "no2", "nitrite");
    alias(Analyte.PH, "ph");
    alias(Analyte.ALKALINITY, "kh", "alk", "alkalinity");
    alias(Analyte.HARDNESS, "gh", "hardness");
    alias(Analyte.CALCIUM, "ca", "calcium");
    alias(Analyte.MAGNESIUM, "mg", "magnesium");
    alias(Analyte.SALINITY, "sal", "salinity");
    alias(Analyte.TEMPERATURE, "temp", "temperature");
    alias(Analyte.SILICATE, "sio2", "silicate");
  }

  private static void alias(Analyte analyte, String... words) {
    for (String word : words) {
      ANALYTES.put(word, analyte);
    }
  }

  private final TankModel tank;
  private final ZonedDateTime now;
  private final Words words;
  private final List<Function<OffsetDateTime, LogEntry>> entries = new ArrayList<>();
  private final List<String> understood = new ArrayList<>();
  private final List<String> remarks = new ArrayList<>();
  private ZonedDateTime when;

  /**
   * Reads {@code line} for {@code tank}.
   *
   * @param now the present; entries carry it unless the line names another time
   */
  public static Reading read(String line, TankModel tank, ZonedDateTime now) {
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
    Shorthand shorthand = new Shorthand(line, tank, now.withZoneSameInstant(tank.timeZone()));
    try {
      return shorthand.read();
    } catch (Unreadable problem) {
      return refused(problem.getMessage());
    }
  }

  private static Reading refused(String problem) {
    return new Reading(List.of(), List.of(), List.of(), List.of(problem));
  }

  private Shorthand(String line, TankModel tank, ZonedDateTime now) {
    this.tank = tank;
    this.now = now.truncatedTo(ChronoUnit.SECONDS);
    words = new Words(line);
    when = this.now;
  }

  private Reading read() throws Unreadable {
    while (words.hasNext()) {
      if (!time()) {
        entry();
      }
    }
    if (entries.isEmpty()) {
      throw new Unreadable("The line names a time and nothing done. Add what was done.");
    }
    if (when.isAfter(now)) {
      throw new Unreadable(WHEN.format(when) + " is still to come; an entry is of now or earlier.");
    }
    if (tank.startedOn().isPresent() && when.toLocalDate().isBefore(tank.startedOn().get())) {
      throw new Unreadable(
          WHEN.format(when) + " is before the tank began, " + tank.startedOn().get() + ".");
    }
    String suffix = when.equals(now) ? ", now" : ", " + WHEN.format(when);
    OffsetDateTime at = when.toOffsetDateTime();
    List<LogEntry> done = new ArrayList<>();
    entries.forEach(entry -> done.add(entry.apply(at)));
    return new Reading(
        done, understood.stream().map(text -> text + suffix).toList(), remarks, List.of());
  }

  // ---------------------------------------------------------------- time

  private boolean time() throws Unreadable {
    String word = words.peek();
    if (word.equals("yesterday") || word.equals("today") || word.equals("now")) {
      words.take();
      LocalDate day = word.equals("yesterday") ? now.toLocalDate().minusDays(1) : now.toLocalDate();
      when = day.atTime(now.toLocalTime()).atZone(tank.timeZone());
    } else if (word.matches("\\d{4}-\\d{2}-\\d{2}")) {
      words.take();
      try {
        when = LocalDate.parse(word).atTime(now.toLocalTime()).atZone(tank.timeZone());
      } catch (DateTimeException e) {
        throw new Unreadable("There is no day " + word + ".");
      }
    } else if (word.matches("\\d{1,2}:\\d{2}")) {
      words.take();
      try {
        LocalTime clock = LocalTime.parse(word.length() == 4 ? "0" + word : word);
        when = when.toLocalDate().atTime(clock).atZone(tank.timeZone());
      } catch (DateTimeException e) {
        throw new Unreadable("There is no time " + word + "; write it as 18:30.");
      }
    } else if (word.matches("\\d+") && words.peek(2).equals("ago")) {
      ago();
    } else {
      return false;
    }
    return true;
  }

  private void ago() throws Unreadable {
    double count = words.number("“ago”");
    String unit = words.take();
    words.take();
    if (count > 36_500) {
      throw new Unreadable(Figures.plain(count) + " " + unit + " ago is longer than any log.");
    }
    switch (unit) {
      case "d", "day", "days" -> when = when.minusDays((long) count);
      case "h", "hour", "hours" -> when = when.minusHours((long) count);
      case "min", "minute", "minutes" -> when = when.minusMinutes((long) count);
      default ->
          throw new Unreadable("“" + unit + " ago” is not read; days, hours and minutes are.");
    }
  }

  // ---------------------------------------------------------------- entries

  private void entry() throws Unreadable {
    String word = words.take();
    Analyte analyte = ANALYTES.get(word);
    if (analyte != null) {
      test(analyte);
      return;
    }
    switch (word) {
      case "change", "changed" -> change();
      case "fed", "feed" -> fed();
      case "cut", "harvest", "harvested" -> cut();
      case "cleaned", "clean" -> {
        ExportMethod export = oneOf(tank.exports(), ExportMethod::id, ExportMethod::id, "filter");
        add(at -> new LogEntry.Clean(at, export.id(), ""), "Cleaned " + export.id());
      }
      case "renewed", "renew" -> renewed();
      case "dosed", "dose" -> dosed();
      case "dead", "died" -> dead();
      case "fast", "fasting" -> {
        int days = (int) Math.round(words.takeNumber().orElse(1.0));
        if (!words.takeIf("days")) {
          words.takeIf("day");
        }
        if (days < 1 || days > 365) {
          throw new Unreadable("A fast of " + days + " days is not read; 1 to 365 are.");
        }
        add(at -> new LogEntry.Fast(at, days, ""), "No food for " + days + " days");
      }
      case "note" -> {
        String note = words.takeRest();
        if (note.isEmpty()) {
          throw new Unreadable("The note is empty. Write it after the word note.");
        }
        add(at -> new LogEntry.Observation(at, "note", 0, note), "Note: " + note);
      }
      default -> {
        List<String> known = new ArrayList<>(VERBS);
        known.addAll(ANALYTES.keySet());
        throw new Unreadable("“" + word + "” can't be read." + Words.nearest(word, known));
      }
    }
  }

  private void add(Function<OffsetDateTime, LogEntry> entry, String text) {
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
    double value = words.number(analyte.term());
    Optional<TestUnit> named = unit(analyte);
    Optional<Kit> kit = kit(analyte);
    TestUnit unit = named.orElse(kit.map(Kit::unit).orElse(analyte.standardUnit()));
    double least = analyte == Analyte.TEMPERATURE ? -2 : 0;
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
        at -> new LogEntry.Test(at, analyte, value, unit, kit.map(Kit::id), taken, ""),
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
    Optional<Kit> named =
        fitting.stream().filter(k -> k.id().equalsIgnoreCase(words.peek())).findFirst();
    if (named.isPresent()) {
      words.take();
      return named;
    }
    return fitting.stream().findFirst();
  }

  private void change() throws Unreadable {
    double amount = words.number("A change");
    double litres;
    if (words.takeIf("%")) {
      if (amount <= 0 || amount > 100) {
        throw new Unreadable(
            "A change of " + Figures.plain(amount) + " % is not possible; over 0 to 100 % is.");
      }
      litres = tank.netVolumeL() * amount / 100;
    } else if (words.takeIf("l") || words.takeIf("litres") || words.takeIf("litre")) {
      if (amount <= 0 || amount > tank.netVolumeL()) {
        throw new Unreadable(
            "A change of "
                + Figures.plain(amount)
                + " L is not possible; the tank holds "
                + Figures.plain(tank.netVolumeL())
                + " L.");
      }
      litres = amount;
    } else {
      throw new Unreadable(
          "A change needs % or L after "
              + Figures.plain(amount)
              + ", as in change 25% or change 40 L.");
    }
    Blend blend = blend();
    double siphoned = 0;
    if (words.takeIf("siphon") || words.takeIf("siphoned")) {
      siphoned = words.takeIf("half") ? 0.5 : words.takeNumber().orElse(100.0) / 100;
      words.takeIf("%");
      if (siphoned < 0 || siphoned > 1) {
        throw new Unreadable("The siphoned share of the bed lies between 0 and 100 %.");
      }
    }
    double bed = siphoned;
    double rounded = Math.round(litres * 100) / 100.0;
    add(
        at -> new LogEntry.WaterChange(at, rounded, blend, bed, ""),
        "Change of "
            + Figures.plain(rounded)
            + " L, "
            + Figures.plain(100 * rounded / tank.netVolumeL())
            + " % of "
            + Figures.plain(tank.netVolumeL())
            + " L, with "
            + describe(blend)
            + (bed > 0 ? ", " + Figures.plain(100 * bed) + " % of the bed siphoned" : ""));
  }

  private Blend blend() throws Unreadable {
    List<Blend.Part> parts = new ArrayList<>();
    double sum = 0;
    while (true) {
      Optional<SourceWater> water = named(tank.waters(), SourceWater::id, SourceWater::name);
      if (water.isEmpty()) {
        break;
      }
      Optional<Double> share = words.takeNumber();
      words.takeIf("%");
      parts.add(new Blend.Part(water.get().id(), share.orElse(100.0) / 100));
      sum += share.orElse(100.0);
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
    Optional<Double> first = words.takeNumber();
    grams();
    Food food = oneOf(tank.foods(), Food::id, Food::name, "food");
    Optional<Double> grams = first.isPresent() ? first : words.takeNumber();
    grams();
    if (grams.isEmpty() && food.servingG().isPresent()) {
      grams = Optional.of(food.servingG().getAsDouble());
    }
    double mass =
        grams.orElseThrow(
            () ->
                new Unreadable(
                    "How much " + food.name() + "? Write grams, as in fed " + food.id() + " 4g."));
    positive(mass, "feed", 100_000);
    add(
        at -> new LogEntry.Feed(at, food.id(), mass, ""),
        "Fed " + Figures.plain(mass) + " g of " + food.name() + " besides the ration");
  }

  private void cut() throws Unreadable {
    PlantStand plant = oneOf(tank.plants(), PlantStand::id, PlantStand::name, "plant");
    double mass = words.number("Cutting " + plant.name());
    grams();
    positive(mass, "cutting", 1_000_000);
    add(
        at -> new LogEntry.Harvest(at, plant.id(), mass, ""),
        "Cut " + Figures.plain(mass) + " g (wet) of " + plant.name());
  }

  private void renewed() throws Unreadable {
    ExportMethod export = oneOf(tank.exports(), ExportMethod::id, ExportMethod::id, "medium");
    double listed = export instanceof ExportMethod.PhosphateAdsorber a ? a.massG() : 0;
    double mass = words.takeNumber().orElse(listed);
    grams();
    positive(mass, "renewed medium", 1_000_000);
    add(
        at -> new LogEntry.Renew(at, export.id(), mass, ""),
        "Renewed " + export.id() + " with " + Figures.plain(mass) + " g");
  }

  private void dosed() throws Unreadable {
    var fertiliser = oneOf(tank.fertilisers(), f -> f.id(), f -> f.name(), "fertiliser");
    double ml = words.number("A dose of " + fertiliser.name());
    words.takeIf("ml");
    positive(ml, "dose", 1_000_000);
    add(
        at -> new LogEntry.Dose(at, fertiliser.id(), ml, ""),
        "Dosed " + Figures.plain(ml) + " mL of " + fertiliser.name());
  }

  private void dead() throws Unreadable {
    Livestock animal = oneOf(tank.livestock(), Livestock::name, Livestock::name, "animal");
    double mass = words.takeNumber().orElse(animal.massG());
    grams();
    positive(mass, "body", 1_000_000);
    add(
        at -> new LogEntry.Death(at, mass, 24, ""),
        "Death of one " + animal.name() + ", " + Figures.plain(mass) + " g, taken out after a day");
  }

  private void grams() {
    if (!words.takeIf("g")) {
      words.takeIf("grams");
    }
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
    for (T item : all) {
      if (id.apply(item).equalsIgnoreCase(word)) {
        words.take();
        return Optional.of(item);
      }
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
