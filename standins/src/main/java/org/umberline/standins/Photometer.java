package org.umberline.standins;

import java.io.IOException;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A simulated photometer. What is in the cuvette is said by {@code PUT /cuvette/ANALYTE/MG_L}; a
 * measurement is begun by {@code PUT /measurements/ID/ANALYTE}, which bears repeating, and read by
 * {@code GET /measurements/ID}. Readings scatter as a real instrument's do and end at its range.
 */
final class Photometer extends Device {
  /** What it measures: lowest and highest value, and the scatter, absolute and relative, mg/L. */
  private record Range(double least, double most, double absolute, double relative, double step) {}

  private static final Map<String, Range> RANGES =
      Map.of(
          "phosphate", new Range(0, 2.5, 0.02, 0.05, 0.01),
          "nitrate", new Range(0, 75, 0.8, 0.06, 0.1),
          "ammonia", new Range(0, 3, 0.04, 0.06, 0.01));
  private static final Pattern BEGIN = Pattern.compile("/measurements/([\\w-]{1,64})/([a-z]+)");
  private static final Pattern READ = Pattern.compile("/measurements/([\\w-]{1,64})");
  private static final Pattern CUVETTE = Pattern.compile("/cuvette/([a-z]+)/(\\d+(?:\\.\\d+)?)");
  private static final long MEASURES_MS = 2500;

  private record Measurement(String analyte, double shown, String range, long readyAt) {}

  private final Map<String, Double> cuvette =
      new ConcurrentHashMap<>(Map.of("phosphate", 0.31, "nitrate", 12.0, "ammonia", 0.05));
  private final Map<String, Measurement> measurements = new ConcurrentHashMap<>();
  private final Random random;

  /**
   * @param port 0 for any free one
   * @param seed of its scatter
   */
  Photometer(int port, long seed) throws IOException {
    super(port);
    random = new Random(seed);
  }

  @Override
  String answer(String method, String path, String body) {
    if (path.equals("/status")) {
      return "{\"device\":\"photometer\",\"analytes\":[\"phosphate\",\"nitrate\",\"ammonia\"]}";
    }
    Matcher cup = CUVETTE.matcher(path);
    if (method.equals("PUT") && cup.matches()) {
      cuvette.put(cup.group(1), Double.parseDouble(cup.group(2)));
      return "{}";
    }
    Matcher begin = BEGIN.matcher(path);
    if (method.equals("PUT") && begin.matches()) {
      if (!RANGES.containsKey(begin.group(2))) {
        return "{\"state\":\"refused\",\"why\":\"cannot measure " + begin.group(2) + "\"}";
      }
      measurements.computeIfAbsent(begin.group(1), id -> measure(begin.group(2)));
      return told(begin.group(1));
    }
    Matcher read = READ.matcher(path);
    return read.matches() ? told(read.group(1)) : null;
  }

  private Measurement measure(String analyte) {
    Range range = RANGES.get(analyte);
    double truth = cuvette.getOrDefault(analyte, 0.0);
    double scatter;
    synchronized (random) {
      scatter = random.nextGaussian() * Math.hypot(range.absolute, range.relative * truth);
    }
    double value = Math.rint((truth + scatter) / range.step) * range.step;
    String where = value > range.most ? "over" : value < range.least ? "under" : "within";
    return new Measurement(
        analyte,
        Math.max(range.least, Math.min(range.most, value)),
        where,
        System.currentTimeMillis() + MEASURES_MS);
  }

  private String told(String id) {
    Measurement one = measurements.get(id);
    if (one == null) {
      return null;
    }
    long left = one.readyAt - System.currentTimeMillis();
    if (left > 0) {
      return "{\"state\":\"measuring\",\"leftMs\":" + left + "}";
    }
    return "{\"state\":\"done\",\"analyte\":\""
        + one.analyte
        + "\",\"mgL\":"
        + number(one.shown)
        + ",\"range\":\""
        + one.range
        + "\"}";
  }
}
