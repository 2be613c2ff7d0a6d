package org.umberline.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.Optional;
import org.apache.commons.cli.OptionGroup;
import org.umberline.core.tank.TankModel;
import org.umberline.tankfile.Json;
import org.umberline.tankfile.LogCsv;
import org.umberline.tankfile.TankFileException;
import org.umberline.tankfile.TankFileWriter;

/** The verb {@code convert}. */
final class ConvertCommand extends Verb {
  private static final String TO = "to";
  private static final String TESTS = "tests";

  ConvertCommand() {
    super("Writes a tank's log as CSV, or takes a CSV of tests into a tank file.");
    OptionGroup what = new OptionGroup();
    what.addOption(option(TO, "csv", "writes the log in this form"));
    what.addOption(
        option(
            TESTS,
            "CSV",
            "a table with at, analyte, value and perhaps unit, kit, qualifier, note"));
    options().addOptionGroup(what);
  }

  @Override
  int run() {
    if (files().size() != 1) {
      throw new UsageException(files().size() + " FILEs are given; allowed: 1");
    }
    Optional<String> form = value(TO);
    Optional<String> tests = value(TESTS);
    if (form.isEmpty() && tests.isEmpty()) {
      throw new UsageException("neither --to nor --tests is given; allowed: one of them");
    }
    if (form.isPresent() && !form.get().equals("csv")) {
      throw new UsageException("--to is " + form.get() + "; allowed: csv");
    }
    Path file = files().get(0);
    Path reading = file;
    PrintWriter out = out();
    try {
      TankModel tank = FileCommand.read(file).tank();
      if (form.isPresent()) {
        out.print(LogCsv.write(tank));
      } else {
        reading = Path.of(tests.orElseThrow());
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
