package org.umberline.core.tank;

/**
 * What a keeper says before anything is weighed: a pinch, eight small fish, a few plants. From
 * memory, right within a factor of two; the keeper's own weights and tests replace them.
 */
public final class RoughMeasures {
  private RoughMeasures() {}

  /** A helping of food. */
  public enum Portion implements Term {
    PINCH("a pinch of flakes", FoodForm.DRY, 0.15),
    PELLETS("a few pellets", FoodForm.DRY, 0.3),
    WAFER("a wafer", FoodForm.DRY, 0.5),
    SPOON("a level teaspoon", FoodForm.DRY, 2),
    CUBE("a frozen cube", FoodForm.FROZEN, 3.5),
    WORM("a worm", FoodForm.FRESH, 1.5);

    private final String term;
    private final FoodForm form;
    private final double grams;

    Portion(String term, FoodForm form, double grams) {
      this.term = term;
      this.form = form;
      this.grams = grams;
    }

    @Override
    public String term() {
      return term;
    }

    public FoodForm form() {
      return form;
    }

    /** g as fed. */
    public double grams() {
      return grams;
    }
  }

  /** How large an animal is, by the length of a fish of usual shape. */
  public enum AnimalSize implements Term {
    SHRIMP("shrimp or small snails", 2.5),
    TINY("tiny fish", 2.5),
    SMALL("small fish", 4),
    MIDDLING("middling fish", 8),
    LARGE("large fish", 14),
    VERY_LARGE("very large fish", 22);

    private final String term;
    private final double lengthCm;

    AnimalSize(String term, double lengthCm) {
      this.term = term;
      this.lengthCm = lengthCm;
    }

    @Override
    public String term() {
      return term;
    }

    public double lengthCm() {
      return lengthCm;
    }

    /** g of one. */
    public double massG() {
      return BodyShape.USUAL.massG(lengthCm);
    }
  }

  /** How much of a tank is grown over. */
  public enum PlantCover implements Term {
    FEW("a few", 0.5),
    SOME("a good part of it", 2),
    FULL("full of them", 5);

    private final String term;
    private final double wetGramsPerLitre;

    PlantCover(String term, double wetGramsPerLitre) {
      this.term = term;
      this.wetGramsPerLitre = wetGramsPerLitre;
    }

    @Override
    public String term() {
      return term;
    }

    /** g wet for each litre of the tank. */
    public double wetGramsPerLitre() {
      return wetGramsPerLitre;
    }
  }

  /** What cleans a tank, by the words it is bought under. */
  public enum Cleaner implements Term {
    SPONGE("a sponge filter"),
    CANISTER("a canister or hang-on filter"),
    SKIMMER("a skimmer"),
    ROCK("live rock");

    private final String term;

    Cleaner(String term) {
      this.term = term;
    }

    @Override
    public String term() {
      return term;
    }
  }

  /** kg of rock for each litre of a tank that is kept on it. Common practice, no source. */
  public static final double ROCK_KG_PER_LITRE = 0.1;

  /** What water is changed with, and what it holds until it is tested. */
  public enum ChangeWater implements Term {
    TAP("tap water", WaterKind.FRESHWATER, 10, 0.2),
    RAIN("rain or filtered water", WaterKind.FRESHWATER, 0.5, 0.02),
    SALT_MIX("salt mixed with filtered water", WaterKind.MARINE, 0.2, 0.02);

    private final String term;
    private final WaterKind kind;
    private final double nitrateMgL;
    private final double phosphateMgL;

    ChangeWater(String term, WaterKind kind, double nitrateMgL, double phosphateMgL) {
      this.term = term;
      this.kind = kind;
      this.nitrateMgL = nitrateMgL;
      this.phosphateMgL = phosphateMgL;
    }

    @Override
    public String term() {
      return term;
    }

    /** Fresh or salt; brackish tanks are filled with salt mix too. */
    public WaterKind kind() {
      return kind;
    }

    /** mg/L of the ion. */
    public double nitrateMgL() {
      return nitrateMgL;
    }

    /** mg/L of the ion. */
    public double phosphateMgL() {
      return phosphateMgL;
    }
  }
}
