package org.umberline.wording;

import java.math.BigDecimal;
import java.math.MathContext;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;

/**
 * A text in parts, so that whoever shows it can say quantities in its reader's units and days as
 * its reader does.
 */
public record Phrase(List<Part> parts) {
  /** Nothing is said. */
  public static final Phrase NONE = new Phrase(List.of());

  private static final int DIGITS = 3;

  /** One part. */
  public sealed interface Part {}

  /** Words as they stand. */
  public record Text(String text) implements Part {}

  /**
   * A quantity.
   *
   * @param unit as it is written, such as {@code L} or {@code mg/L NO3}; empty for a bare number
   */
  public record Amount(double value, String unit) implements Part {}

  /** A day. */
  public record Day(LocalDate on) implements Part {}

  public Phrase {
    parts = List.copyOf(parts);
  }

  /**
   * @param parts texts, {@link Part}s and phrases in order
   * @throws IllegalArgumentException when something else is among them
   */
  public static Phrase of(Object... parts) {
    List<Part> all = new ArrayList<>();
    for (Object part : parts) {
      if (part instanceof String text) {
        add(all, new Text(text));
      } else if (part instanceof LocalDate day) {
        all.add(new Day(day));
      } else if (part instanceof Part known) {
        add(all, known);
      } else if (part instanceof Phrase phrase) {
        phrase.parts.forEach(known -> add(all, known));
      } else {
        throw new IllegalArgumentException("a phrase can't hold " + part);
      }
    }
    return new Phrase(all);
  }

  /** Words that follow words are one part. */
  private static void add(List<Part> all, Part part) {
    Part last = all.isEmpty() ? null : all.get(all.size() - 1);
    if (part instanceof Text text && text.text.isEmpty()) {
      return;
    }
    if (part instanceof Text text && last instanceof Text before) {
      all.set(all.size() - 1, new Text(before.text + text.text));
    } else {
      all.add(part);
    }
  }

  /** A quantity to three digits. */
  public static Amount amount(double value, String unit) {
    return new Amount(new BigDecimal(value).round(new MathContext(DIGITS)).doubleValue(), unit);
  }

  public boolean isEmpty() {
    return parts.isEmpty();
  }

  /** In the units it was made with, days as ISO dates. */
  public String plain() {
    return plain(DateTimeFormatter.ISO_LOCAL_DATE);
  }

  /** In the units it was made with. */
  public String plain(DateTimeFormatter days) {
    StringBuilder text = new StringBuilder();
    for (Part part : parts) {
      if (part instanceof Text words) {
        text.append(words.text);
      } else if (part instanceof Amount amount) {
        text.append(plain(amount));
      } else if (part instanceof Day day) {
        text.append(days.format(day.on));
      }
    }
    return text.toString();
  }

  private static String plain(Amount amount) {
    String number = BigDecimal.valueOf(amount.value).stripTrailingZeros().toPlainString();
    return amount.unit.isEmpty() ? number : number + " " + amount.unit;
  }
}
