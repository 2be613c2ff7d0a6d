package org.umberline.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.apache.commons.cli.CommandLine;
import org.apache.commons.cli.DefaultParser;
import org.apache.commons.cli.Option;
import org.apache.commons.cli.Options;
import org.apache.commons.cli.ParseException;

/** One thing the command line can do: {@code umberline VERB FILE...}, with options. */
abstract class Verb {
  static final String HELP = "help";

  /** Bad usage: nothing is done, and the program leaves with 2. */
  static final class UsageException extends RuntimeException {
    private static final long serialVersionUID = 1;

    UsageException(String message) {
      super(message);
    }
  }

  private final String about;
  private final Options options = new Options();
  private CommandLine given;
  private PrintWriter out;
  private PrintWriter err;

  /**
   * @param about what it does, a sentence
   */
  Verb(String about) {
    this.about = about;
    options.addOption(Option.builder("h").longOpt(HELP).desc("shows this and does nothing").get());
  }

  final String about() {
    return about;
  }

  final Options options() {
    return options;
  }

  /** Adds an option with a value. */
  final void addOption(String name, String value, String description) {
    options.addOption(option(name, value, description));
  }

  static Option option(String name, String value, String description) {
    return Option.builder().longOpt(name).hasArg().argName(value).desc(description).get();
  }

  /** Adds an option that is given or not. */
  final void addFlag(String name, String description) {
    options.addOption(Option.builder().longOpt(name).desc(description).get());
  }

  /**
   * Reads what was given after the verb.
   *
   * @return whether it asks for help alone
   * @throws UsageException when an option isn't known, lacks its value or is given twice
   */
  final boolean asksForHelp(String[] arguments, PrintWriter out, PrintWriter err) {
    this.out = out;
    this.err = err;
    for (String argument : arguments) {
      if (argument.equals("--" + HELP) || argument.equals("-h")) {
        return true;
      }
    }
    try {
      given =
          DefaultParser.builder().setAllowPartialMatching(false).get().parse(options, arguments);
    } catch (ParseException refused) {
      throw new UsageException(refused.getMessage());
    }
    for (Option option : given.getOptions()) {
      if (option.hasArg() && given.getOptionValues(option).length > 1) {
        throw new UsageException("--" + option.getLongOpt() + " is given more than once");
      }
    }
    return false;
  }

  /**
   * Does it and returns the exit status.
   *
   * @throws UsageException when a value isn't allowed
   */
  abstract int run();

  final boolean has(String option) {
    return given.hasOption(option);
  }

  final Optional<String> value(String option) {
    return Optional.ofNullable(given.getOptionValue(option));
  }

  /** The whole number of an option between two, both allowed. */
  final long number(String option, long otherwise, long least, long most) {
    Optional<String> value = value(option);
    if (value.isEmpty()) {
      return otherwise;
    }
    try {
      long number = Long.parseLong(value.get());
      if (number >= least && number <= most) {
        return number;
      }
    } catch (NumberFormatException notOne) {
      // said below
    }
    throw new UsageException(
        "--%s is %s; allowed: %d to %d".formatted(option, value.get(), least, most));
  }

  final List<Path> files() {
    return given.getArgList().stream().map(Path::of).toList();
  }

  final PrintWriter out() {
    return out;
  }

  final PrintWriter err() {
    return err;
  }
}
