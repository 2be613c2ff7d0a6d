package org.umberline.tankfile.shorthand;

import java.util.Collection;
import java.util.Comparator;
import java.util.Locale;
import java.util.Optional;

/**
 * The tank a line is addressed to by beginning with its name.
 *
 * @param name of the tank
 * @param rest of the line, what was done there
 */
public record Addressing(String name, String rest) {
  /**
   * The longest of {@code names} that {@code line} begins with, followed by a blank or colon.
   *
   * @return empty when it begins with none
   */
  public static Optional<Addressing> of(String line, Collection<String> names) {
    String text = line.stripLeading();
    return names.stream()
        .filter(name -> !name.isBlank() && begins(text, name))
        .max(Comparator.comparingInt(String::length))
        .map(
            name ->
                new Addressing(name, text.substring(name.length()).replaceFirst("^[:\\s]+", "")));
  }

  private static boolean begins(String text, String name) {
    if (!text.toLowerCase(Locale.ROOT).startsWith(name.toLowerCase(Locale.ROOT))) {
      return false;
    }
    return text.length() == name.length() || ": \t".indexOf(text.charAt(name.length())) >= 0;
  }
}
