package org.umberline.tankfile.shorthand;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.ToIntFunction;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.commons.text.similarity.LevenshteinDistance;

/** The words of a line, taken one after the other. */
final class Words {
  /**
   * A number glued to a unit is two words: 25%, 40L, 4g; so is a mark before a number: &lt;0.2.
   * What stands in quotation marks is one word and no number.
   */
  private static final Pattern WORD =
      Pattern.compile(
          "\"(?<quoted>[^\"]*)\"|(?<date>\\d{4}-\\d{2}-\\d{2}"
              + "|\\d{1,2}([./])\\d{1,2}\\3(?:\\d{4}|\\d{2})(?!\\d))"
              + "|(?<time>\\d{1,2}:\\d{2}(?::\\d{2}(?:\\.\\d{1,9})?)?(?:[+-]\\d{2}:\\d{2})?)"
              + "|(?<mark>[<>=#])"
              + "|(?<number>-?\\d+(?:[.,]\\d+)?)(?=[^\\d]|$)|(?<text>[^\\s<>=\"]+|\")");

  /** Commas at the ends of a word part it from its neighbours. */
  private static final Pattern BETWEEN = Pattern.compile("^[,;]+|[,;]+$");

  private static final Pattern NUMBER = Pattern.compile("-?\\d{1,40}(\\.\\d{1,40})?");

  /** So many names are listed where none is near. */
  private static final int FEW = 6;

  private final List<String> words = new ArrayList<>();
  private final List<Integer> starts = new ArrayList<>();
  private final BitSet quoted = new BitSet();
  private final String line;
  private int next;

  Words(String line) {
    this.line = line;
    Matcher matcher = WORD.matcher(line);
    while (matcher.find()) {
      String name = matcher.group("quoted");
      String word = name != null ? name : BETWEEN.matcher(matcher.group()).replaceAll("");
      // what stands between two entries is no word
      if (name != null || !word.isEmpty()) {
        quoted.set(words.size(), name != null);
        words.add(word);
        starts.add(matcher.start());
      }
    }
  }

  boolean hasNext() {
    return next < words.size();
  }

  String peek() {
    return peek(0);
  }

  String peek(int ahead) {
    return next + ahead < words.size() ? words.get(next + ahead).toLowerCase(Locale.ROOT) : "";
  }

  String take() {
    String word = peek();
    next++;
    return word;
  }

  /** The next word as it was written, capitals and all. */
  String peekAsWritten() {
    return next < words.size() ? words.get(next) : "";
  }

  String takeAsWritten() {
    String word = peekAsWritten();
    next++;
    return word;
  }

  /** Whether the next word stands in quotation marks: it is a name then, whatever it looks like. */
  boolean isQuoted() {
    return quoted.get(next);
  }

  /** Whether a number or a remark comes next, or nothing. */
  boolean atNoName() {
    return !hasNext() || !isQuoted() && (peek().equals("#") || NUMBER.matcher(peek()).matches());
  }

  /** Where the next word begins in the line; its end when there is none. */
  int start() {
    return hasNext() ? starts.get(next) : line.length();
  }

  boolean takeIf(String word) {
    if (!isQuoted() && peek().equals(word)) {
      next++;
      return true;
    }
    return false;
  }

  /** Everything from the next word on, as written. */
  String takeRest() {
    String rest = hasNext() ? line.substring(starts.get(next)).trim() : "";
    next = words.size();
    return rest;
  }

  /** The next word as a number, with a point or a comma; nothing is taken when it is none. */
  Optional<Double> takeNumber() {
    String word = peek().replace(',', '.');
    if (isQuoted() || !NUMBER.matcher(word).matches()) {
      return Optional.empty();
    }
    next++;
    return Optional.of(Double.parseDouble(word));
  }

  /** The next word as a percentage, exact to the last digit: 12.5 and a sign make 0.125. */
  Optional<Double> takePercent() {
    String word = peek().replace(',', '.');
    Optional<Double> number = takeNumber();
    takeIf("%");
    return number.map(any -> new BigDecimal(word).movePointLeft(2).doubleValue());
  }

  double number(String of) throws Unreadable {
    String found = hasNext() ? "“" + peek() + "”" : "nothing";
    return takeNumber()
        .orElseThrow(() -> new Unreadable(of + " needs a number; found " + found + "."));
  }

  /** What may have been meant by {@code word}, in words for the end of a message. */
  static String nearest(String word, Collection<String> known) {
    LevenshteinDistance distance = LevenshteinDistance.getDefaultInstance();
    ToIntFunction<String> away = name -> distance.apply(word, name.toLowerCase(Locale.ROOT));
    Optional<String> best = known.stream().min(Comparator.comparingInt(away));
    if (best.isPresent() && away.applyAsInt(best.get()) <= word.length() / 2) {
      return " Did you mean “" + best.get() + "”?";
    }
    return known.isEmpty() || known.size() > FEW
        ? ""
        : " There is " + String.join(", ", known.stream().map(n -> "“" + n + "”").toList()) + ".";
  }
}
