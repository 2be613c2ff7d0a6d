package org.umberline.wording;

import java.util.List;
import java.util.OptionalDouble;

/**
 * What is said of one balance besides the two nutrients.
 *
 * @param term what it is about, an analyte's term
 * @param unit the unit of what may be wanted; empty where nothing can be
 * @param wanted what was wanted, in that unit; empty where nobody said
 * @param doses whether an amount for it is worked out among the doses
 */
public record WaterPanel(
    String term,
    String title,
    String unit,
    OptionalDouble wanted,
    Phrase sentence,
    List<Phrase> notes,
    List<String> cautions,
    boolean doses) {
  public WaterPanel {
    notes = List.copyOf(notes);
    cautions = List.copyOf(cautions);
  }
}
