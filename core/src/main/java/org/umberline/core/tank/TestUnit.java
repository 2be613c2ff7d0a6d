package org.umberline.core.tank;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.umberline.core.quantity.Ammonia;
import org.umberline.core.quantity.Nitrate;
import org.umberline.core.quantity.Nitrite;
import org.umberline.core.quantity.Nitrogen;
import org.umberline.core.quantity.Phosphate;
import org.umberline.core.quantity.Phosphorus;

/**
 * The units a test may be recorded in; a value is kept as it was read and converted only to
 * compute.
 */
public enum TestUnit {
  NITRATE("mg/L NO3", Analyte.NITRATE, 1),
  NITRATE_NITROGEN("mg/L NO3-N", Analyte.NITRATE, Nitrate.of(new Nitrogen(1)).mgPerLitre()),
  PHOSPHATE("mg/L PO4", Analyte.PHOSPHATE, 1),
  PHOSPHATE_PHOSPHORUS(
      "mg/L PO4-P", Analyte.PHOSPHATE, Phosphate.of(new Phosphorus(1)).mgPerLitre()),
  MICROGRAM_PHOSPHORUS(
      "ug/L P", Analyte.PHOSPHATE, Phosphate.of(new Phosphorus(1)).mgPerLitre() / 1000),
  AMMONIA("mg/L NH3", Analyte.AMMONIA, 1),
  AMMONIA_NITROGEN("mg/L NH3-N", Analyte.AMMONIA, Ammonia.of(new Nitrogen(1)).mgPerLitre()),
  NITRITE("mg/L NO2", Analyte.NITRITE, 1),
  NITRITE_NITROGEN("mg/L NO2-N", Analyte.NITRITE, Nitrite.of(new Nitrogen(1)).mgPerLitre()),
  PH("pH", Analyte.PH, 1),
  DEGREE_CARBONATE_HARDNESS("dKH", Analyte.ALKALINITY, 1),
  // 1 dKH is 10 mg/L CaO, 17.848 mg/L CaCO3, 0.35663 meq/L (German degree, DIN 38409)
  ALKALINITY_CALCIUM_CARBONATE("mg/L CaCO3", Analyte.ALKALINITY, 1 / 17.848),
  MILLIEQUIVALENT("meq/L", Analyte.ALKALINITY, 1 / 0.35663),
  DEGREE_HARDNESS("dGH", Analyte.HARDNESS, 1),
  HARDNESS_CALCIUM_CARBONATE("mg/L CaCO3", Analyte.HARDNESS, 1 / 17.848),
  CALCIUM("mg/L", Analyte.CALCIUM, 1),
  MAGNESIUM("mg/L", Analyte.MAGNESIUM, 1),
  SALINITY("ppt", Analyte.SALINITY, 1),
  CELSIUS("°C", Analyte.TEMPERATURE, 1),
  SILICATE("mg/L SiO2", Analyte.SILICATE, 1),
  DISSOLVED_SOLIDS("mg/L", Analyte.DISSOLVED_SOLIDS, 1),
  // pens show half of the microsiemens they measure, some up to 0.7 (common practice, no source)
  CONDUCTIVITY("uS/cm", Analyte.DISSOLVED_SOLIDS, 0.5);

  private final String label;
  private final Analyte analyte;
  private final double standardPerUnit;

  TestUnit(String label, Analyte analyte, double standardPerUnit) {
    this.label = label;
    this.analyte = analyte;
    this.standardPerUnit = standardPerUnit;
  }

  /** The unit as it is written. */
  public String label() {
    return label;
  }

  /** How much of the analyte's standard unit one of this unit is. */
  public double standardPerUnit() {
    return standardPerUnit;
  }

  /** The units {@code analyte} may be recorded in, the standard one first. */
  public static List<TestUnit> of(Analyte analyte) {
    List<TestUnit> units = new ArrayList<>();
    for (TestUnit unit : values()) {
      if (unit.analyte == analyte) {
        units.add(unit);
      }
    }
    return units;
  }

  /** The first unit of {@code analyte}. */
  static TestUnit standard(Analyte analyte) {
    return of(analyte).get(0);
  }

  /**
   * The unit written {@code label} for {@code analyte}; {@code ppm} means mg/L of the ion and µ may
   * stand for u.
   */
  public static Optional<TestUnit> find(Analyte analyte, String label) {
    String written = label.trim().replace('µ', 'u').replace('μ', 'u');
    if (written.equals("ppm")) {
      return of(analyte).stream().filter(unit -> unit.label.startsWith("mg/L")).findFirst();
    }
    return of(analyte).stream().filter(unit -> unit.label.equalsIgnoreCase(written)).findFirst();
  }
}
