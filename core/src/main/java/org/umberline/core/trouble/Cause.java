package org.umberline.core.trouble;

import org.umberline.core.tank.Term;

/** What a sign may come from. Common practice, no source. */
public enum Cause implements Term {
  CYANOBACTERIA("cyanobacteria"),
  DINOFLAGELLATES("dinoflagellates"),
  DIATOMS("diatoms"),
  /** More comes in than goes out. */
  LOAD("load"),
  LIGHT("light"),
  /** Carbon dioxide or flow that fails, or comes and goes. */
  CARBON_DIOXIDE("carbon-dioxide"),
  GLASS_FILM("glass-film"),
  BACTERIAL_BLOOM("bacterial-bloom"),
  SUSPENDED_ALGAE("suspended-algae"),
  STIRRED_DUST("stirred-dust"),
  STILL_SURFACE("still-surface"),
  DISSOLVED_ORGANICS("dissolved-organics"),
  NITROGEN_LACKING("nitrogen-lacking"),
  IRON_LACKING("iron-lacking"),
  SALINITY("salinity"),
  ALKALINITY("alkalinity"),
  NUTRIENTS_HIGH("nutrients-high"),
  NUTRIENTS_LOW("nutrients-low"),
  AMMONIA("ammonia"),
  OXYGEN("oxygen"),
  DISEASE("disease"),
  CHOKED_FILTER("choked-filter"),
  WORN_PUMP("worn-pump"),
  /** What nobody thought of. */
  OTHER("other");

  private final String term;

  Cause(String term) {
    this.term = term;
  }

  @Override
  public String term() {
    return term;
  }
}
