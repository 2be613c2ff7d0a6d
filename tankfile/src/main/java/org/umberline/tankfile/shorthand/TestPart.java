package org.umberline.tankfile.shorthand;

import java.util.List;
import java.util.Optional;
import org.umberline.core.calibration.TestLikelihood;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Kit;
import org.umberline.core.tank.KitMethod;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Qualifier;
import org.umberline.core.tank.TestUnit;
import org.umberline.tankfile.Figures;
import org.umberline.tankfile.Meant;

/** Reads a test: what was measured, its value, unit and kit. */
final class TestPart {
  /** A reading this many times the last one, or its part, is hardly of the same unit. Chosen. */
  private static final double FAR = 20;

  /** One within so many times the last is. Chosen. */
  private static final double NEAR = 5;

  private final EntryLine line;

  TestPart(EntryLine line) {
    this.line = line;
  }

  void read(Analyte analyte) throws Unreadable {
    Qualifier qualifier = Qualifier.EQUAL;
    if (line.words.takeIf("<")) {
      qualifier = Qualifier.BELOW;
    } else if (line.words.takeIf(">")) {
      qualifier = Qualifier.ABOVE;
    } else {
      line.words.takeIf("=");
    }
    double read = line.words.number(analyte.term());
    Optional<TestUnit> named = unit(analyte);
    Optional<Kit> kit = kit(analyte);
    double value = named.isPresent() ? read : Meant.standard(analyte, read, line.tank.water());
    TestUnit unit = named.orElse(kit.map(Kit::unit).orElse(analyte.standardUnit()));
    double least = analyte.least();
    double most = analyte.greatest() / unit.standardPerUnit();
    if (!(value >= least && value <= most)) {
      throw new Unreadable(
          capital(analyte.term())
              + " "
              + Figures.plain(value)
              + " "
              + unit.label()
              + " can't be right; "
              + Figures.plain(least)
              + " to "
              + Figures.plain(most)
              + " is read.");
    }
    if (named.isEmpty()) {
      askBack(analyte, value, unit);
      if (value == read && Meant.mayBeGravity(analyte, read)) {
        line.remarks.add(
            "%s is read as ppt. As a specific gravity it is sea water of %s ppt: is this the right tank?"
                .formatted(Figures.plain(read), Figures.plain(Meant.ofGravity(read))));
      }
    }
    Qualifier taken = qualifier;
    LogEntry.Test sample =
        new LogEntry.Test(
            line.now.toOffsetDateTime(), analyte, value, unit, kit.map(Kit::id), qualifier, "");
    line.add(
        (at, note) -> new LogEntry.Test(at, analyte, value, unit, kit.map(Kit::id), taken, note),
        describe(sample, kit));
  }

  /** A meter of micrograms is told milligrams now and then. */
  private void askBack(Analyte analyte, double value, TestUnit unit) {
    TestUnit usual = analyte.standardUnit();
    Optional<LogEntry.Test> before = line.tank.lastTest(analyte);
    double last = before.map(LogEntry.Test::standardValue).orElse(0.0);
    if (unit == usual || last <= 0 || value <= 0) {
      return;
    }
    boolean far = Math.abs(Math.log(value * unit.standardPerUnit() / last)) > Math.log(FAR);
    boolean near = Math.abs(Math.log(value * usual.standardPerUnit() / last)) < Math.log(NEAR);
    if (far && near) {
      line.remarks.add(
          "The last reading was %s %s. Was this one %s %s? Then write the unit."
              .formatted(
                  Figures.plain(before.orElseThrow().value()),
                  before.orElseThrow().unit().label(),
                  Figures.plain(value),
                  usual.label()));
    }
  }

  private String describe(LogEntry.Test test, Optional<Kit> kit) {
    String value =
        (test.qualifier() == Qualifier.BELOW
                ? "below "
                : test.qualifier() == Qualifier.ABOVE ? "above " : "")
            + Figures.plain(test.value())
            + (test.unit() == TestUnit.PH ? "" : " " + test.unit().label());
    String text = capital(test.analyte().words()) + " " + value;
    if (kit.isEmpty()) {
      return text;
    }
    text += " with the " + kit.get().id().replace('-', ' ');
    if (kit.get().method() == KitMethod.COLOUR_CARD && test.qualifier() == Qualifier.EQUAL) {
      TestLikelihood card = TestLikelihood.of(test, kit.get());
      text +=
          Double.isInfinite(card.highest())
              ? " (" + Figures.plain(card.lowest()) + " or more)"
              : " (between "
                  + Figures.plain(card.lowest())
                  + " and "
                  + Figures.plain(card.highest())
                  + ")";
      double onCard = test.standardValue() / kit.get().unit().standardPerUnit();
      if (kit.get().steps().stream().noneMatch(step -> Math.abs(step - onCard) < 1e-9)) {
        line.remarks.add(
            Figures.plain(test.value())
                + " is not a step of the card; it counts as the nearest one.");
      }
    }
    kit.get()
        .max()
        .ifPresent(
            max -> {
              if (test.qualifier() == Qualifier.EQUAL
                  && test.standardValue() / kit.get().unit().standardPerUnit() > max) {
                line.remarks.add(
                    "This kit ends at "
                        + Figures.plain(max)
                        + "; was it over range? Then write >"
                        + Figures.plain(max)
                        + ".");
              }
            });
    return text;
  }

  private Optional<TestUnit> unit(Analyte analyte) throws Unreadable {
    String word = line.words.peek().replace('µ', 'u').replace('μ', 'u');
    boolean perLitre = word.equals("mg/l") || word.equals("ppm");
    boolean micro = word.equals("ug/l") || word.equals("ppb");
    String species = perLitre || micro ? line.words.peek(1) : word;
    Optional<TestUnit> spelled =
        TestUnit.of(analyte).stream()
            .filter(
                unit ->
                    unit.label().equalsIgnoreCase((micro ? "ug/L " : "mg/L ") + species)
                            && (perLitre || micro || species.contains("-"))
                        || !perLitre && !micro && unit.label().equalsIgnoreCase(word))
            .findFirst();
    if (spelled.isPresent()) {
      line.words.take();
      if (perLitre || micro) {
        line.words.take();
      }
      return spelled;
    }
    if (perLitre) {
      line.words.take();
      return TestUnit.find(analyte, "ppm");
    }
    boolean ofAnother = word.matches("(no3|no2|nh3|po4)-[np]|dkh|dgh|ppt|meq/l");
    if (micro && analyte == Analyte.PHOSPHATE) {
      line.words.take();
      return Optional.of(TestUnit.MICROGRAM_PHOSPHORUS);
    }
    if (micro || ofAnother) {
      throw new Unreadable(
          "“"
              + word
              + "” is no unit of "
              + analyte.term()
              + "; "
              + String.join(", ", TestUnit.of(analyte).stream().map(TestUnit::label).toList())
              + (TestUnit.of(analyte).size() == 1 ? " is." : " are."));
    }
    return Optional.empty();
  }

  private Optional<Kit> kit(Analyte analyte) {
    List<Kit> fitting = line.tank.kits().stream().filter(k -> k.analyte() == analyte).toList();
    Optional<Kit> named = line.named(fitting, Kit::id, Kit::id);
    if (named.isPresent()) {
      return named;
    }
    if (line.words.takeIf("nokit")) {
      return Optional.empty();
    }
    return fitting.stream().findFirst();
  }

  private static String capital(String term) {
    return term.equals("pH") ? term : Character.toUpperCase(term.charAt(0)) + term.substring(1);
  }
}
