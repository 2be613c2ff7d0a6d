package org.umberline.tankfile.shorthand;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.umberline.core.tank.Additive;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.Fertiliser;
import org.umberline.core.tank.Food;
import org.umberline.core.tank.Livestock;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Look;
import org.umberline.core.tank.PlantStand;
import org.umberline.core.tank.Quarantine;
import org.umberline.core.tank.Sign;
import org.umberline.core.tank.Term;
import org.umberline.core.upkeep.Care;
import org.umberline.core.upkeep.Task;
import org.umberline.tankfile.Figures;
import org.umberline.tankfile.LogWords;

/** Reads what was done besides changes and tests, and what was seen. */
final class DonePart {
  private static final List<String> SEVERITY = List.of("gone", "slight", "plain", "severe");

  private static final int LONGEST_MEDICINE = 100;
  private static final int LONGEST_WHO = 100;
  private static final int LONGEST_TRIAL = 100;

  private final EntryLine line;

  DonePart(EntryLine line) {
    this.line = line;
  }

  void cleaned() throws Unreadable {
    ExportMethod export =
        line.oneOf(line.tank.exports(), ExportMethod::id, ExportMethod::id, "filter");
    // without its unit a number is the next entry's: cleaned sponge 25% change
    boolean measured = Set.of("ml", "g", "grams").contains(line.words.peek(1));
    Optional<Double> caught = measured ? line.amount() : Optional.empty();
    String unit = export instanceof ExportMethod.Skimmer ? " mL" : " g";
    if (caught.isPresent()) {
      if (!line.words.takeIf("ml")) {
        line.grams();
      }
      EntryLine.positive(caught.get(), "catch", 100_000);
    }
    line.add(
        (at, note) ->
            new LogEntry.Clean(
                at,
                export.id(),
                caught.map(OptionalDouble::of).orElse(OptionalDouble.empty()),
                note),
        "Cleaned "
            + export.id()
            + caught.map(much -> ", " + Figures.plain(much) + unit + " came out").orElse(""));
  }

  void fasted() throws Unreadable {
    int days = days("fast");
    line.add(
        (at, note) -> new LogEntry.Fast(at, days, note),
        "No food for " + days + (days == 1 ? " day" : " days"));
  }

  private int days(String what) throws Unreadable {
    return days(what, 1);
  }

  private int days(String what, int unlessSaid) throws Unreadable {
    int days = (int) Math.round(line.amount().orElse((double) unlessSaid));
    if (!line.words.takeIf("days")) {
      line.words.takeIf("day");
    }
    if (days < 1 || days > 365) {
      throw new Unreadable("A " + what + " of " + days + " days is not read; 1 to 365 are.");
    }
    return days;
  }

  /** A course of medicine, by one word or by its name in quotation marks. */
  void medicated() throws Unreadable {
    String name = line.words.takeAsWritten().replace('"', '\'').strip();
    if (name.isEmpty() || name.length() > LONGEST_MEDICINE) {
      throw new Unreadable(
          "Which medicine, and for how many days? Write medicine \"name\" 5 days.");
    }
    int days = days("course");
    line.add(
        (at, note) -> new LogEntry.Medicine(at, name, days, note),
        "A course of " + name + ", " + days + (days == 1 ? " day" : " days"));
  }

  /** Animals kept apart, by one word or in quotation marks. */
  void quarantined() throws Unreadable {
    String who = line.words.takeAsWritten().replace('"', '\'').strip();
    if (who.isEmpty() || who.length() > LONGEST_WHO) {
      throw new Unreadable(
          "Who is kept apart, and for how many days? Write quarantine \"six tetras\" 28 days.");
    }
    int days = days("quarantine", Quarantine.USUAL_DAYS);
    line.add(
        (at, note) -> new LogEntry.Quarantine(at, who, days, note),
        "Quarantine of " + who + ", " + days + (days == 1 ? " day" : " days"));
  }

  /** A trial: what is done otherwise, what shows it, how long, and what is expected of it. */
  void trial() throws Unreadable {
    String what = line.words.takeAsWritten().replace('"', '\'').strip();
    Optional<Analyte> analyte =
        LogWords.analyte(line.words.peek())
            .filter(a -> a == Analyte.NITRATE || a == Analyte.PHOSPHATE);
    if (what.isEmpty() || what.length() > LONGEST_TRIAL || analyte.isEmpty()) {
      throw new Unreadable(
          "What is tried, and does no3 or po4 show it? Write trial \"less food\" no3 28 days.");
    }
    line.words.take();
    int days = days("trial");
    OptionalDouble expected = expected();
    line.add(
        (at, note) -> new LogEntry.Trial(at, what, analyte.get(), days, expected, note),
        "A trial: " + what + ", shown by " + analyte.get().term() + ", " + days + " days");
  }

  private OptionalDouble expected() throws Unreadable {
    if (!line.words.takeIf("expecting")) {
      return OptionalDouble.empty();
    }
    double by = line.words.number("What is expected");
    if (line.words.takeIf("less")) {
      return OptionalDouble.of(-by);
    }
    if (line.words.takeIf("more")) {
      return OptionalDouble.of(by);
    }
    throw new Unreadable("More or less? Write expecting 6 less.");
  }

  void noted() throws Unreadable {
    String note = line.words.takeRest();
    if (note.isEmpty()) {
      throw new Unreadable("The note is empty. Write it after the word note.");
    }
    line.add((at, none) -> new LogEntry.Observation(at, Sign.NOTE, 0, note), "Note: " + note);
  }

  void fed() throws Unreadable {
    Optional<Double> amount = line.amount();
    boolean servings = amount.isPresent() && line.servings();
    line.grams();
    Food food = line.oneOf(line.tank.foods(), Food::id, Food::name, "food");
    if (amount.isEmpty()) {
      amount = line.amount();
      servings = amount.isPresent() && line.servings();
      line.grams();
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
    EntryLine.positive(mass, "feed", 100_000);
    line.add(
        (at, note) -> new LogEntry.Feed(at, food.id(), mass, note),
        "Fed " + Figures.plain(mass) + " g of " + food.name() + " besides the ration");
  }

  void cut() throws Unreadable {
    PlantStand plant = line.oneOf(line.tank.plants(), PlantStand::id, PlantStand::name, "plant");
    double mass = line.words.number("Cutting " + plant.name());
    line.grams();
    EntryLine.positive(mass, "cutting", 1_000_000);
    line.add(
        (at, note) -> new LogEntry.Harvest(at, plant.id(), mass, note),
        "Cut " + Figures.plain(mass) + " g (wet) of " + plant.name());
  }

  void renewed() throws Unreadable {
    ExportMethod export =
        line.oneOf(line.tank.exports(), ExportMethod::id, ExportMethod::id, "medium");
    double listed = export instanceof ExportMethod.PhosphateAdsorber a ? a.massG() : 0;
    double mass = line.amount().orElse(listed);
    line.grams();
    EntryLine.positive(mass, "renewed medium", 1_000_000);
    line.add(
        (at, note) -> new LogEntry.Renew(at, export.id(), mass, note),
        "Renewed " + export.id() + " with " + Figures.plain(mass) + " g");
  }

  /** A salt or a source of carbon by itself. */
  void added() throws Unreadable {
    added(line.oneOf(Additive.all(), Additive::term, Additive::term, "additive"));
  }

  private void added(Additive additive) throws Unreadable {
    double amount = line.words.number("How much " + additive.term());
    if (additive.isWeighed()) {
      line.grams();
    } else {
      line.words.takeIf("ml");
    }
    EntryLine.positive(amount, "addition", 1_000_000);
    line.add(
        (at, note) -> new LogEntry.Addition(at, additive, amount, note),
        "Added " + Figures.plain(amount) + " " + additive.unit() + " of " + additive.term());
  }

  void dosed() throws Unreadable {
    Optional<Fertiliser> solution =
        line.named(line.tank.fertilisers(), Fertiliser::id, Fertiliser::name);
    if (solution.isPresent()) {
      dosed(solution.get());
      return;
    }
    Optional<Additive> additive = line.named(Additive.all(), Additive::term, Additive::term);
    if (additive.isPresent()) {
      added(additive.get());
      return;
    }
    // says what is called so, or that there is none
    dosed(line.oneOf(line.tank.fertilisers(), Fertiliser::id, Fertiliser::name, "fertiliser"));
  }

  private void dosed(Fertiliser fertiliser) throws Unreadable {
    double ml = line.words.number("A dose of " + fertiliser.name());
    line.words.takeIf("ml");
    EntryLine.positive(ml, "dose", 1_000_000);
    line.add(
        (at, note) -> new LogEntry.Dose(at, fertiliser.id(), ml, note),
        "Dosed " + Figures.plain(ml) + " mL of " + fertiliser.name());
  }

  void dead() throws Unreadable {
    Optional<Double> first = line.amount();
    boolean weighed = first.isPresent() && line.grams();
    double mass;
    String who;
    if (weighed) {
      mass = first.get();
      who = "Death of an animal, ";
    } else {
      Livestock animal =
          line.oneOf(line.tank.livestock(), Livestock::name, Livestock::name, "animal");
      int count = (int) Math.round(first.orElse(1.0));
      if (count < 1 || count > Math.max(1, animal.count())) {
        throw new Unreadable(
            "There are " + animal.count() + " " + animal.name() + "; 1 to that many can die.");
      }
      mass = line.amount().orElse(count * animal.massG());
      line.grams();
      who = "Death of " + (count == 1 ? "one " : count + " ") + animal.name() + ", ";
    }
    double hours = 24;
    if (line.words.takeIf("after")) {
      hours = line.words.number("“after”");
      if (!line.words.takeIf("h") && !line.words.takeIf("hours") && !line.words.takeIf("hour")) {
        throw new Unreadable("After how many hours was it taken out? Write after 6 h.");
      }
      if (hours < 0 || hours > 8760) {
        throw new Unreadable("Taken out after 0 to 8760 hours is read.");
      }
    }
    EntryLine.positive(mass, "body", 1_000_000);
    double left = hours;
    line.add(
        (at, note) -> new LogEntry.Death(at, mass, left, note),
        who + Figures.plain(mass) + " g, taken out after " + Figures.plain(hours) + " h");
  }

  void saw() throws Unreadable {
    boolean named = line.words.isQuoted();
    String word = named ? line.words.takeAsWritten() : line.words.take();
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
    int severity = (int) Math.round(line.amount().orElse(1.0));
    if (severity < 0 || severity > 3) {
      throw new Unreadable("How bad is 0 (gone) to 3 (severe); found " + severity + ".");
    }
    Set<Look> looks = looks();
    line.add(
        (at, note) -> new LogEntry.Observation(at, word, severity, List.copyOf(looks), note),
        Stream.concat(Stream.of(word, SEVERITY.get(severity)), looks.stream().map(Look::term))
            .map(part -> part.replace('-', ' '))
            .collect(Collectors.joining(", ", "Saw ", "")));
  }

  /** What was seen on looking closer. */
  private Set<Look> looks() {
    Set<Look> looks = EnumSet.noneOf(Look.class);
    for (Optional<Look> look = look(); look.isPresent(); look = look()) {
      line.words.take();
      looks.add(look.get());
    }
    return looks;
  }

  private Optional<Look> look() {
    return line.words.isQuoted() ? Optional.empty() : Term.find(Look.class, line.words.peek());
  }

  /** The trade's signs and those this tank's log has. */
  private List<String> signs() {
    return Stream.concat(
            Sign.TERMS.stream(),
            line.tank.log().stream()
                .filter(LogEntry.Observation.class::isInstance)
                .map(entry -> ((LogEntry.Observation) entry).sign()))
        .filter(sign -> !sign.equals(Sign.NOTE) && Task.noted(sign).isEmpty())
        .distinct()
        .toList();
  }

  /** Work by its term, or of the keeper's own by its name in quotation marks. */
  void did() throws Unreadable {
    if (line.words.isQuoted()) {
      String name = line.words.takeAsWritten().strip();
      if (name.isEmpty() || name.length() > Care.OwnTask.LONGEST_NAME) {
        throw new Unreadable("Work has a name of 1 to 60 characters.");
      }
      line.add(
          (at, note) -> new LogEntry.Observation(at, Task.signOf(name), 0, note), "Done: " + name);
      return;
    }
    String word = line.words.take();
    Task task =
        Task.find(word)
            .orElseThrow(
                () ->
                    new Unreadable(
                        (word.isEmpty() ? "Did what?" : "“" + word + "” is no work I know.")
                            + Words.nearest(word, Task.terms())
                            + " Any other goes in quotation marks."));
    line.add(
        (at, note) -> new LogEntry.Observation(at, task.sign(), 0, note), "Done: " + task.words());
  }
}
