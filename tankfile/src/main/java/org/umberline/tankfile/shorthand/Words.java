package org.umberline.tankfile.shorthand;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.commons.text.similarity.LevenshteinDistance;

/** The words of a line, taken one after the other. */
final class Words {
  /** A number glued to a unit is two words: 25%, 40L, 4g; so is a mark before a number: <0.2. */
  private static final Pattern WORD =
      Pattern.compile(
          "(?<date>\\d{4}-\\d{2}-\\d{2})|(?<time>\\d{1,2}:\\d{2})|(?<mark>[<>=])"
              + "|(?<number>-?\\d+(?:[.,]\\d+)?)(?=[^\\d]|$)|(?<text>[^\\s<>=]+)");

  private final List<String> words = new ArrayList<>();
  private final List<Integer> starts = new ArrayList<>();
  private final String line;
  private int next;

  Words(String line) {
    this.line = line;
    Matcher matcher = WORD.matcher(line);
    while (matcher.find()) {
      words.add(matcher.group());
      starts.add(matcher.start());
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

  boolean takeIf(String word) {
    if (peek().equals(word)) {
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
    if (!word.matches("-?\\d{1,12}(\\.\\d{1,12})?")) {
      return Optional.empty();
    }
    next++;
    return Optional.of(Double.parseDouble(word));
  }

  double number(String of) throws Unreadable {
    String found = hasNext() ? "“" + peek() + "”" : "nothing";
    return takeNumber()
        .orElseThrow(() -> new Unreadable(of + " needs a number; found " + found + "."));
  }

  /** The nearest of {@code known} to {@code word}, in words for the end of a message. */
  static String nearest(String word, Collection<String> known) {
    LevenshteinDistance distance = LevenshteinDistance.getDefaultInstance();
    return known.stream()
        .min(
            (a, b) ->
                Integer.compare(
                    distance.apply(word, a.toLowerCase(Locale.ROOT)),
                    distance.apply(word, b.toLowerCase(Locale.ROOT))))
        .map(best -> " The nearest I know is “" + best + "”.")
        .orElse("");
  }
}
