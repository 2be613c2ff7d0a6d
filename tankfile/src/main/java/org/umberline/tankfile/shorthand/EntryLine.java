package org.umberline.tankfile.shorthand;

import java.time.OffsetDateTime;
import java.time.ZonedDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;
import org.umberline.tankfile.Figures;

/** A line of shorthand being read: its words, and what they say so far. */
final class EntryLine {
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
  interface Made {
    LogEntry of(OffsetDateTime at, String remark);
  }

  final TankModel tank;
  final ZonedDateTime now;
  final Household household;
  final Words words;
  final When time;
  final List<Made> entries = new ArrayList<>();
  final List<String> understood = new ArrayList<>();
  final List<String> remarks = new ArrayList<>();

  EntryLine(String text, TankModel tank, ZonedDateTime now, Household household) {
    this.tank = tank;
    this.household = household;
    this.now = now.withZoneSameInstant(tank.timeZone()).truncatedTo(ChronoUnit.SECONDS);
    words = new Words(text);
    time = new When(words, this.now);
  }

  /** Takes an entry, and what it says. */
  void add(Made entry, String text) {
    entries.add(entry);
    understood.add(text);
  }

  /** A number that is an amount: the 2 of “2 days ago” and of “2 oct” is none. */
  Optional<Double> amount() {
    return time.begins() ? Optional.empty() : words.takeNumber();
  }

  Optional<Double> percent() {
    return time.begins() ? Optional.empty() : words.takePercent();
  }

  boolean servings() {
    if (words.isQuoted() || !SERVINGS.contains(words.peek())) {
      return false;
    }
    words.take();
    words.takeIf("of");
    return true;
  }

  boolean grams() {
    return words.takeIf("g") || words.takeIf("grams");
  }

  static void positive(double value, String what, double most) throws Unreadable {
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

  /** The thing of the make-up that comes next; where there is but one, it needs no name. */
  <T> T oneOf(List<T> all, Function<T, String> id, Function<T, String> name, String kind)
      throws Unreadable {
    Optional<T> found = named(all, id, name);
    if (found.isPresent()) {
      return found.get();
    }
    if (all.isEmpty()) {
      throw new Unreadable("This tank has no " + kind + " in its make-up.");
    }
    boolean unnamed = words.atNoName() || time.begins();
    if (unnamed && all.size() == 1) {
      return all.get(0);
    }
    String word = unnamed ? "" : words.peek();
    throw new Unreadable(
        (unnamed ? "Which " + kind + "?" : "No " + kind + " is called “" + word + "”.")
            + Words.nearest(word, all.stream().map(id).toList()));
  }

  /** The thing whose id, whole name or one word of whose name comes next; it is taken. */
  <T> Optional<T> named(List<T> all, Function<T, String> id, Function<T, String> name) {
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
}
