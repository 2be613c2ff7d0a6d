package org.umberline.core.tank;

/** Animals of one kind: {@code massG} is the wet mass of one. */
public record Livestock(String name, int count, double massG, Stage stage, Span span) {
  public double totalMassG() {
    return count * massG;
  }

  /** The same animals, each {@code factor} times as heavy. */
  public Livestock grown(double factor) {
    return new Livestock(name, count, massG * factor, stage, span);
  }
}
