package org.umberline.cli;

import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Supplier;
import org.apache.commons.cli.Option;

/** The command line: {@code umberline VERB FILE...}. */
public final class Umberline {
  private static final int BAD_USAGE = 2;

  private static final Map<String, Supplier<Verb>> VERBS = verbs();

  private Umberline() {}

  private static Map<String, Supplier<Verb>> verbs() {
    Map<String, Supplier<Verb>> verbs = new LinkedHashMap<>();
    verbs.put("check", CheckCommand::new);
    verbs.put("ledger", LedgerCommand::new);
    verbs.put("calibrate", CalibrateCommand::new);
    verbs.put("forecast", ForecastCommand::new);
    verbs.put("plan", PlanCommand::new);
    verbs.put("hindcast", HindcastCommand::new);
    verbs.put("convert", ConvertCommand::new);
    return verbs;
  }

  /** Runs one verb and leaves with its exit status: 0 good, 1 bad input, 2 bad usage. */
  public static void main(String[] arguments) {
    PrintWriter out = new PrintWriter(System.out, false, StandardCharsets.UTF_8);
    PrintWriter err = new PrintWriter(System.err, true, StandardCharsets.UTF_8);
    int status = run(out, err, arguments);
    out.flush();
    System.exit(status);
  }

  static int run(PrintWriter out, PrintWriter err, String... arguments) {
    String name = arguments.length > 0 ? arguments[0] : "";
    Supplier<Verb> known = VERBS.get(name);
    if (known == null) {
      boolean asked = name.equals("--" + Verb.HELP) || name.equals("-h");
      if (!asked) {
        err.println(
            "umberline: "
                + (name.isEmpty() ? "no verb is given" : name + " is no verb")
                + "; allowed: "
                + String.join(", ", VERBS.keySet()));
      }
      describe(asked ? out : err);
      return asked ? 0 : BAD_USAGE;
    }
    Verb verb = known.get();
    try {
      if (verb.asksForHelp(Arrays.copyOfRange(arguments, 1, arguments.length), out, err)) {
        describe(name, verb, out);
        return 0;
      }
      return verb.run();
    } catch (Verb.UsageException refused) {
      err.println("umberline: " + refused.getMessage());
      describe(name, verb, err);
      return BAD_USAGE;
    } catch (RuntimeException failed) {
      err.println("umberline: " + failed.getMessage());
      return 1;
    }
  }

  private static void describe(PrintWriter to) {
    to.println("Usage: umberline VERB FILE...");
    to.println("Computes over tank files; needs no database and no server.");
    VERBS.forEach((name, verb) -> to.printf("  %-10s %s%n", name, verb.get().about()));
  }

  private static void describe(String name, Verb verb, PrintWriter to) {
    to.printf("Usage: umberline %s [OPTION...] FILE...%n%s%n", name, verb.about());
    for (Option option : verb.options().getOptions()) {
      String value = option.hasArg() ? " " + option.getArgName() : "";
      to.printf("  --%s%s%n      %s%n", option.getLongOpt(), value, option.getDescription());
    }
  }
}
