package org.umberline.core.tank;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** What was done or measured, as it was said. */
public sealed interface LogEntry {
  OffsetDateTime at();

  /** The keeper's remark, empty when there is none. */
  String note();

  /** Does what {@code visitor} does for this kind of entry. */
  <T> T accept(Visitor<T> visitor);

  /** One answer for each kind of entry: a kind that comes later can't be passed over. */
  interface Visitor<T> {
    T test(Test test);

    T waterChange(WaterChange waterChange);

    T clean(Clean clean);

    T renew(Renew renew);

    T harvest(Harvest harvest);

    T dose(Dose dose);

    T addition(Addition addition);

    T death(Death death);

    T feed(Feed feed);

    T fast(Fast fast);

    T medicine(Medicine medicine);

    T quarantine(Quarantine quarantine);

    T trial(Trial trial);

    T observation(Observation observation);
  }

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

    @Override
    public <T> T accept(Visitor<T> visitor) {
      return visitor.test(this);
    }
  }

  record WaterChange(
      OffsetDateTime at, double litres, Blend water, double siphonedShareOfBed, String note)
      implements LogEntry {
    @Override
    public <T> T accept(Visitor<T> visitor) {
      return visitor.waterChange(this);
    }
  }

  /**
   * @param caughtG what came out of it, wet, g; a mL of skimmate is taken for a g
   */
  record Clean(OffsetDateTime at, String export, OptionalDouble caughtG, String note)
      implements LogEntry {
    /** A cleaning of which nobody weighed what came out. */
    public Clean(OffsetDateTime at, String export, String note) {
      this(at, export, OptionalDouble.empty(), note);
    }

    @Override
    public <T> T accept(Visitor<T> visitor) {
      return visitor.clean(this);
    }
  }

  record Renew(OffsetDateTime at, String export, double massG, String note) implements LogEntry {
    @Override
    public <T> T accept(Visitor<T> visitor) {
      return visitor.renew(this);
    }
  }

  record Harvest(OffsetDateTime at, String plant, double wetMassG, String note)
      implements LogEntry {
    @Override
    public <T> T accept(Visitor<T> visitor) {
      return visitor.harvest(this);
    }
  }

  record Dose(OffsetDateTime at, String fertiliser, double ml, String note) implements LogEntry {
    @Override
    public <T> T accept(Visitor<T> visitor) {
      return visitor.dose(this);
    }
  }

  /**
   * A salt or a source of carbon given by itself.
   *
   * @param amount g, or mL, as the additive is measured
   */
  record Addition(OffsetDateTime at, Additive additive, double amount, String note)
      implements LogEntry {
    @Override
    public <T> T accept(Visitor<T> visitor) {
      return visitor.addition(this);
    }
  }

  record Death(OffsetDateTime at, double massG, double removedAfterHours, String note)
      implements LogEntry {
    @Override
    public <T> T accept(Visitor<T> visitor) {
      return visitor.death(this);
    }
  }

  record Feed(OffsetDateTime at, String food, double grams, String note) implements LogEntry {
    @Override
    public <T> T accept(Visitor<T> visitor) {
      return visitor.feed(this);
    }
  }

  record Fast(OffsetDateTime at, int days, String note) implements LogEntry {
    @Override
    public <T> T accept(Visitor<T> visitor) {
      return visitor.fast(this);
    }
  }

  /**
   * A course of medicine begins.
   *
   * @param name what is given
   * @param days how long, this day included
   */
  record Medicine(OffsetDateTime at, String name, int days, String note) implements LogEntry {
    @Override
    public <T> T accept(Visitor<T> visitor) {
      return visitor.medicine(this);
    }
  }

  /**
   * Animals are kept apart in this tank from here on.
   *
   * @param who they are
   * @param days how long, this day included
   */
  record Quarantine(OffsetDateTime at, String who, int days, String note) implements LogEntry {
    @Override
    public <T> T accept(Visitor<T> visitor) {
      return visitor.quarantine(this);
    }
  }

  /**
   * One thing is done otherwise from here on, to see what it does.
   *
   * @param what is done otherwise, in the keeper's words
   * @param analyte that shows it
   * @param days how long it is watched, this day included
   * @param expected by how much it should have changed the level in the end, in the analyte's
   *     standard unit, less than zero where it lowers; empty where nobody knows
   */
  record Trial(
      OffsetDateTime at,
      String what,
      Analyte analyte,
      int days,
      OptionalDouble expected,
      String note)
      implements LogEntry {
    @Override
    public <T> T accept(Visitor<T> visitor) {
      return visitor.trial(this);
    }
  }

  /**
   * @param severity 0, gone, to 3, severe
   * @param looks what was seen of the sign on looking closer
   */
  record Observation(OffsetDateTime at, String sign, int severity, List<Look> looks, String note)
      implements LogEntry {
    public Observation {
      looks = List.copyOf(looks);
    }

    /** A sign that was not looked at more closely. */
    public Observation(OffsetDateTime at, String sign, int severity, String note) {
      this(at, sign, severity, List.of(), note);
    }

    @Override
    public <T> T accept(Visitor<T> visitor) {
      return visitor.observation(this);
    }
  }
}
