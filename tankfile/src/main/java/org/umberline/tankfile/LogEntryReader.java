package org.umberline.tankfile;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import org.umberline.core.tank.Additive;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Blend;
import org.umberline.core.tank.Kit;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Look;
import org.umberline.core.tank.Qualifier;
import org.umberline.core.tank.TestUnit;

/** Reads one log entry of a file that was checked. */
final class LogEntryReader {
  private static final double DEFAULT_CORPSE_HOURS = 24;

  private final Blend changeWater;
  private final List<Kit> kits;

  /**
   * @param changeWater what a change without a water of its own was made with
   * @param kits whose units stand where a test names none
   */
  LogEntryReader(Blend changeWater, List<Kit> kits) {
    this.changeWater = changeWater;
    this.kits = kits;
  }

  private Kit kitById(String id) {
    return kits.stream().filter(kit -> kit.id().equals(id)).findFirst().orElseThrow();
  }

  LogEntry read(Node e) {
    OffsetDateTime at = OffsetDateTime.parse(e.text("at"));
    String note = e.maybeText("note").orElse("");
    return switch (e.text("type")) {
      case "test" -> test(e, at, note);
      case "water-change" ->
          new LogEntry.WaterChange(
              at,
              e.number("litres"),
              e.has("water") ? PartReader.blend(e, "water") : e.noted("water", changeWater),
              e.number("siphonedShareOfBed", 0),
              note);
      case "clean" -> new LogEntry.Clean(at, e.text("export"), e.maybeNumber("caughtG"), note);
      case "renew" -> new LogEntry.Renew(at, e.text("export"), e.number("massG", 0), note);
      case "harvest" -> new LogEntry.Harvest(at, e.text("plant"), e.number("wetMassG"), note);
      case "dose" -> new LogEntry.Dose(at, e.text("fertiliser"), e.number("ml"), note);
      case "addition" -> addition(e, at, note);
      case "death" ->
          new LogEntry.Death(
              at, e.number("massG"), e.number("removedAfterHours", DEFAULT_CORPSE_HOURS), note);
      case "feed" -> new LogEntry.Feed(at, e.text("food"), e.number("grams"), note);
      case "fast" -> new LogEntry.Fast(at, e.integer("days", 1), note);
      case "medicine" -> new LogEntry.Medicine(at, e.text("name"), e.integer("days", 1), note);
      case "quarantine" -> new LogEntry.Quarantine(at, e.text("who"), e.integer("days", 1), note);
      case "trial" ->
          new LogEntry.Trial(
              at,
              e.text("what"),
              e.term(Analyte.class, "analyte"),
              e.integer("days", 1),
              e.maybeNumber("expected"),
              note);
      default ->
          new LogEntry.Observation(
              at, e.text("sign"), e.integer("severity", 1), e.terms(Look.class, "looks"), note);
    };
  }

  /** Which additives there are, and what each is measured in, the schema has checked. */
  private static LogEntry.Addition addition(Node e, OffsetDateTime at, String note) {
    Additive additive = Additive.find(e.text("additive")).orElseThrow();
    return new LogEntry.Addition(
        at, additive, e.number(additive.isWeighed() ? "grams" : "ml"), note);
  }

  private LogEntry.Test test(Node e, OffsetDateTime at, String note) {
    Analyte analyte = e.term(Analyte.class, "analyte");
    Optional<String> kit = e.maybeText("kit");
    TestUnit unit =
        e.maybeText("unit")
            .flatMap(label -> TestUnit.find(analyte, label))
            .orElseGet(
                () ->
                    e.noted(
                        "unit", kit.map(id -> kitById(id).unit()).orElse(analyte.standardUnit())));
    return new LogEntry.Test(
        at,
        analyte,
        e.number("value"),
        unit,
        kit,
        // what nearly every test leaves out is no default worth telling
        e.has("qualifier") ? e.term(Qualifier.class, "qualifier") : Qualifier.EQUAL,
        note);
  }
}
