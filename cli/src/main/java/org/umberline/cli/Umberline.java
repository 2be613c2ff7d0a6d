package org.umberline.cli;

import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import picocli.CommandLine;
import picocli.CommandLine.Command;

/** The command line: {@code umberline VERB FILE...}. */
@Command(
    name = "umberline",
    description = "Computes over tank files; needs no database and no server.",
    mixinStandardHelpOptions = true,
    subcommands = {
      CheckCommand.class,
      LedgerCommand.class,
      CalibrateCommand.class,
      ForecastCommand.class,
      PlanCommand.class,
      HindcastCommand.class,
      ConvertCommand.class
    },
    synopsisSubcommandLabel = "VERB")
public final class Umberline {
  private Umberline() {}

  /** Runs one verb and leaves with its exit status: 0 good, 1 bad input, 2 bad usage. */
  public static void main(String[] arguments) {
    PrintWriter out = new PrintWriter(System.out, false, StandardCharsets.UTF_8);
    PrintWriter err = new PrintWriter(System.err, true, StandardCharsets.UTF_8);
    int status = run(out, err, arguments);
    out.flush();
    System.exit(status);
  }

  static int run(PrintWriter out, PrintWriter err, String... arguments) {
    return new CommandLine(new Umberline())
        .setOut(out)
        .setErr(err)
        .setExecutionExceptionHandler(
            (problem, command, parsed) -> {
              err.println("umberline: " + problem.getMessage());
              return problem instanceof CommandLine.ParameterException ? 2 : 1;
            })
        .execute(arguments);
  }
}
