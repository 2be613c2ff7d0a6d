package org.umberline.core.tank;

import java.util.List;

/** Signs a keeper sees in a tank, as the log names them. Common practice, no source. */
public final class Sign {
  /** The words for them in an observation. */
  public static final List<String> TERMS =
      List.of(
          "slimy-mat",
          "brown-strings",
          "brown-dust",
          "hair-algae",
          "black-tufts",
          "film-algae",
          "surface-film",
          "yellow-water",
          "cloudy-water",
          "green-water",
          "pale-leaves",
          "corals-closed",
          "weak-flow",
          "gasping");

  /** Animals at the surface for air: it is acted on at once. */
  public static final String GASPING = "gasping";

  /** Water comes slowly from the filter: what chokes it is cleaned. */
  public static final String WEAK_FLOW = "weak-flow";

  /** Only where there are corals. */
  public static final String CORALS_CLOSED = "corals-closed";

  /** Green film, which every glass has: it is wiped off. */
  public static final String GLASS_FILM = "film-algae";

  /** Whoever looked after the tank meanwhile saw something wrong. */
  public static final String SITTER_WORRIED = "sitter-worried";

  /** A plain note is kept as a sign too; it says nothing that is counted with. */
  public static final String NOTE = "note";

  private Sign() {}
}
