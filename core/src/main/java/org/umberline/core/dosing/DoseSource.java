package org.umberline.core.dosing;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Fertiliser;
import org.umberline.core.tank.Salt;
import org.umberline.core.tank.TankModel;

/**
 * What something can be raised with.
 *
 * @param id a salt's term, or the id of a solution of the tank's make-up
 * @param salt empty for a solution
 * @param solution empty for a salt
 * @param perUnit what a gram, or a mL of a solution, brings: mg of the ion, or dKH or dGH times
 *     litres
 * @param companion what comes with it
 * @param companionMgPerUnit how much of that, mg
 */
public record DoseSource(
    String id,
    Optional<Salt> salt,
    Optional<Fertiliser> solution,
    double perUnit,
    String companion,
    double companionMgPerUnit) {

  /** All that raises {@code analyte} in this tank: its own solutions first, then pure salts. */
  public static List<DoseSource> of(TankModel tank, Analyte analyte) {
    return Stream.concat(
            tank.fertilisers().stream()
                .map(solution -> of(solution, analyte))
                .filter(source -> source.perUnit > 0),
            Stream.of(Salt.values())
                .filter(salt -> salt.perGram(analyte) > 0)
                .map(salt -> of(salt, analyte)))
        .toList();
  }

  private static DoseSource of(Salt salt, Analyte analyte) {
    return new DoseSource(
        salt.term(),
        Optional.of(salt),
        Optional.empty(),
        salt.perGram(analyte),
        salt.companion(),
        salt.companionMgPerGram());
  }

  private static DoseSource of(Fertiliser solution, Analyte analyte) {
    boolean nitrate = analyte == Analyte.NITRATE;
    boolean phosphate = analyte == Analyte.PHOSPHATE;
    return new DoseSource(
        solution.id(),
        Optional.empty(),
        Optional.of(solution),
        nitrate ? solution.nitrateMgPerMl() : phosphate ? solution.phosphateMgPerMl() : 0,
        nitrate ? "phosphate" : "nitrate",
        nitrate ? solution.phosphateMgPerMl() : solution.nitrateMgPerMl());
  }
}
