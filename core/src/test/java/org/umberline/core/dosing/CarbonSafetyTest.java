package org.umberline.core.dosing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.umberline.core.TankBuilder;
import org.umberline.core.dosing.CarbonSafety.Danger;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.CarbonSource;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.Qualifier;
import org.umberline.core.tank.Span;
import org.umberline.core.tank.TankModel;

/** The rules are common practice, no source. */
class CarbonSafetyTest {
  private static final LocalDate TODAY = TankBuilder.START.plusDays(20);
  private static final Span ALWAYS = new Span(TankBuilder.START, Optional.empty());

  private static TankBuilder dosed(CarbonSource source, double amount) {
    return new TankBuilder()
        .volumeL(76)
        .lines(10, 0.1)
        .export(new ExportMethod.CarbonDose("carbon", source, amount, ALWAYS));
  }

  private static List<Danger> dangers(TankBuilder tank, boolean gasping) {
    return CarbonSafety.look(tank.build(), TODAY, gasping).stream()
        .map(CarbonSafety.Finding::danger)
        .toList();
  }

  @Test
  void twentyMlOfSpiritInASmallTankIsTenTimesWhatItCanStand() {
    List<CarbonSafety.Finding> found =
        CarbonSafety.look(dosed(CarbonSource.ETHANOL_40, 20).build(), TODAY, false);
    assertThat(found).extracting(CarbonSafety.Finding::danger).containsOnly(Danger.OVER_CEILING);
    assertThat(found.get(0).mostPerDay()).isEqualTo(1.9, within(1e-9));
  }

  @Test
  void whatWasNotedTodayCountsToo() {
    TankBuilder noted = new TankBuilder().volumeL(76);
    noted.added(20.3, CarbonSource.VINEGAR, 5).added(20.7, CarbonSource.VINEGAR, 15);
    assertThat(dangers(noted, false)).containsOnly(Danger.OVER_CEILING);
    assertThat(dangers(new TankBuilder().volumeL(76).added(19.5, CarbonSource.VINEGAR, 20), false))
        .as("yesterday's is done")
        .isEmpty();
  }

  @Test
  void aCarefulDoseIsLeftAlone() {
    assertThat(dangers(dosed(CarbonSource.ETHANOL_40, 1.9), false)).isEmpty();
    assertThat(dangers(dosed(CarbonSource.ETHANOL_40, 0), true)).isEmpty();
  }

  @Test
  void twoSourcesAddUp() {
    ExportMethod spirit =
        new ExportMethod.CarbonDose("spirit", CarbonSource.ETHANOL_40, 1.2, TankBuilder.always());
    ExportMethod vinegar =
        new ExportMethod.CarbonDose("vinegar", CarbonSource.VINEGAR, 10, TankBuilder.always());
    double most = CarbonSafety.mostPerDay(CarbonSource.ETHANOL_40, 76);
    TankModel one = new TankBuilder().volumeL(76).export(spirit).build();
    assertThat(CarbonSafety.look(one, TODAY, false)).isEmpty();
    TankModel both = new TankBuilder().volumeL(76).export(spirit).export(vinegar).build();
    assertThat(CarbonSafety.look(both, TODAY, false))
        .singleElement()
        .satisfies(
            found -> {
              assertThat(found.danger()).isEqualTo(Danger.OVER_CEILING);
              assertThat(found.mostPerDay())
                  .isEqualTo(
                      most * (1 - 10 / CarbonSafety.mostPerDay(CarbonSource.VINEGAR, 76)),
                      within(1e-9));
            });
  }

  @Test
  void theCeilingIsOneOfCarbonWhateverCarriesIt() {
    // 0.165 g C a mL of spirit, 0.020 of vinegar, 0.421 a g of sucrose (their formulas)
    assertThat(CarbonSafety.mostPerDay(CarbonSource.VINEGAR, 40)).isEqualTo(8.25, within(0.01));
    assertThat(CarbonSafety.mostPerDay(CarbonSource.SUGAR, 40)).isEqualTo(0.392, within(0.001));
    assertThat(dangers(dosed(CarbonSource.VINEGAR, 15), false)).isEmpty();
    assertThat(dangers(dosed(CarbonSource.VINEGAR, 16), false)).containsOnly(Danger.OVER_CEILING);
  }

  @Test
  void whatHasEndedOrIsToComeIsNotSpokenOf() {
    Span over = new Span(TankBuilder.START, Optional.of(TODAY.minusDays(1)));
    TankBuilder ended =
        new TankBuilder()
            .volumeL(76)
            .export(new ExportMethod.CarbonDose("carbon", CarbonSource.ETHANOL_40, 20, over));
    assertThat(dangers(ended, true)).isEmpty();
  }

  @Test
  void gaspingAndNitrateGoneAreSaidBesideACarefulDose() {
    TankBuilder stripped =
        dosed(CarbonSource.ETHANOL_40, 1)
            .photometer("n", Analyte.NITRATE, 0.5, 0.05)
            .photometer("p", Analyte.PHOSPHATE, 0.02, 0.05)
            .test(19.5, Analyte.NITRATE, 0.4, "n")
            .test(19.5, Analyte.PHOSPHATE, 0.3, "p");
    assertThat(dangers(stripped, true)).containsExactly(Danger.GASPING, Danger.NITRATE_GONE);
    assertThat(dangers(stripped.test(19.8, Analyte.NITRATE, 5, "n"), false)).isEmpty();
  }

  @Test
  void aReadingUnderAKitsRangeIsNoHighPhosphate() {
    TankBuilder open =
        dosed(CarbonSource.ETHANOL_40, 1)
            .photometer("n", Analyte.NITRATE, 0.5, 0.05)
            .photometer("p", Analyte.PHOSPHATE, 0.02, 0.05)
            .test(19.5, Analyte.NITRATE, 0.4, "n")
            .test(19.5, Analyte.PHOSPHATE, 0.25, "p", Qualifier.BELOW);
    assertThat(dangers(open, false)).isEmpty();
  }
}
