package org.umberline.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import org.umberline.core.tank.TankModel;
import org.umberline.tankfile.Json;
import org.umberline.tankfile.LogCsv;
import org.umberline.tankfile.TankFileException;
import org.umberline.tankfile.TankFileWriter;
import picocli.CommandLine.ArgGroup;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

@Command(
    name = "convert",
    description = "Writes a tank's log as CSV, or takes a CSV of tests into a tank file.",
    mixinStandardHelpOptions = true)
final class ConvertCommand implements Callable<Integer> {
  @Spec CommandSpec spec;

  @Parameters(paramLabel = "FILE", description = "the tank file to read")
  Path file;

  @ArgGroup(multiplicity = "1")
  What what;

  static final class What {
    @Option(names = "--to", paramLabel = "csv", description = "writes the log in this form")
    String to;

    @Option(
        names = "--tests",
        paramLabel = "CSV",
        description = "a table with at, analyte, value and perhaps unit, kit, qualifier, note")
    Path tests;
  }

  @Override
  public Integer call() {
    PrintWriter out = spec.commandLine().getOut();
    if (what.to != null && !what.to.equals("csv")) {
      throw new ParameterException(spec.commandLine(), "--to is " + what.to + "; allowed: csv");
    }
    Path reading = file;
    try {
      TankModel tank = FileCommand.read(file).tank();
      if (what.to != null) {
        out.print(LogCsv.write(tank));
      } else {
        reading = what.tests;
        out.print(TankFileWriter.write(LogCsv.addTests(tank, FileCommand.text(reading)).tank()));
      }
    } catch (TankFileException refused) {
      out.print(Json.pretty(FileCommand.refusal(reading, refused)));
      return 1;
    } finally {
      out.flush();
    }
    return 0;
  }
}
