package org.umberline.core.tank;

import java.time.OffsetDateTime;
import java.util.Optional;

/** What was done or measured, as it was said. */
public sealed interface LogEntry {
  OffsetDateTime at();

  /** The keeper's remark, empty when there is none. */
  String note();

  /** A reading in its own unit; {@code kit} is the id of the kit it was read with, if known. */
  record Test(
      OffsetDateTime at,
      Analyte analyte,
      double value,
      TestUnit unit,
      Optional<String> kit,
      Qualifier qualifier,
      String note)
      implements LogEntry {
    /** The value in the analyte's standard unit. */
    public double standardValue() {
      return value * unit.standardPerUnit();
    }
  }

  record WaterChange(
      OffsetDateTime at, double litres, Blend water, double siphonedShareOfBed, String note)
      implements LogEntry {}

  record Clean(OffsetDateTime at, String export, String note) implements LogEntry {}

  record Renew(OffsetDateTime at, String export, double massG, String note) implements LogEntry {}

  record Harvest(OffsetDateTime at, String plant, double wetMassG, String note)
      implements LogEntry {}

  record Dose(OffsetDateTime at, String fertiliser, double ml, String note) implements LogEntry {}

  record Death(OffsetDateTime at, double massG, double removedAfterHours, String note)
      implements LogEntry {}

  record Feed(OffsetDateTime at, String food, double grams, String note) implements LogEntry {}

  record Fast(OffsetDateTime at, int days, String note) implements LogEntry {}

  record Observation(OffsetDateTime at, String sign, int severity, String note)
      implements LogEntry {}
}
