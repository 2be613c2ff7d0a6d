package org.umberline.core.synthetic;

import static org.umberline.core.TankBuilder.WORKERS;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import org.umberline.core.calibration.Progress;
import org.umberline.core.forecast.Hindcast;
import org.umberline.core.forecast.Hindcast.Forecasted;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.tank.TankModel;

/**
 * Draws three hindcasts for docs/model.md: {@code folder}. Bars are what was forecast 14 days
 * before.
 */
public final class HindcastPlots {
  private static final int WIDTH = 760;
  private static final int HEIGHT = 300;
  private static final int LEFT = 56;
  private static final int BOTTOM = 40;
  private static final int TOP = 34;
  private static final int HORIZON = 14;

  private HindcastPlots() {}

  public static void main(String[] arguments) throws IOException {
    Path folder = Path.of(arguments[0]);
    Files.createDirectories(folder);
    draw(folder, SyntheticTank.Way.MARINE_FISH_ONLY, Nutrient.NITRATE);
    draw(folder, SyntheticTank.Way.STONY_REEF, Nutrient.PHOSPHATE);
    draw(folder, SyntheticTank.Way.PLANTED_LOW_LIGHT, Nutrient.NITRATE);
  }

  private static void draw(Path folder, SyntheticTank.Way way, Nutrient nutrient)
      throws IOException {
    TankModel tank = SyntheticTank.of(way, 0);
    List<Forecasted> shown =
        Hindcast.of(tank, Hindcast.DRAWS, 1, WORKERS, Progress.NONE).stream()
            .filter(f -> f.nutrient() == nutrient && f.horizonDays() == HORIZON)
            .toList();
    Instant first = shown.get(0).at();
    double days = days(first, shown.get(shown.size() - 1).at());
    double most =
        1.1 * shown.stream().mapToDouble(f -> Math.max(f.reading(), f.p90())).max().orElse(1);
    StringBuilder svg = new StringBuilder();
    svg.append(
        """
        <svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 %d %d" font-family="sans-serif" font-size="12">
        <rect width="100%%" height="100%%" fill="#fbf7ef"/>
        <text x="%d" y="20" fill="#33302a">%s: %s, forecast %d days ahead (bars, 8 in 10) and read (dots)</text>
        """
            .formatted(
                WIDTH,
                HEIGHT,
                LEFT,
                way.name().toLowerCase(Locale.ROOT).replace('_', ' '),
                nutrient.unit(),
                HORIZON));
    for (int tick = 0; tick <= 4; tick++) {
      double value = most * tick / 4;
      double y = y(value, most);
      svg.append(
          "<line x1=\"%d\" x2=\"%d\" y1=\"%.1f\" y2=\"%.1f\" stroke=\"#ddd3c0\"/>%n"
              .formatted(LEFT, WIDTH - 16, y, y));
      svg.append(
          "<text x=\"%d\" y=\"%.1f\" text-anchor=\"end\" fill=\"#5c564a\">%s</text>%n"
              .formatted(LEFT - 8, y + 4, String.format(Locale.ROOT, "%.2g", value)));
    }
    for (Forecasted f : shown) {
      double x = LEFT + 12 + (WIDTH - LEFT - 40) * days(first, f.at()) / days;
      svg.append(
          "<line x1=\"%.1f\" x2=\"%.1f\" y1=\"%.1f\" y2=\"%.1f\" stroke=\"#c58b3a\" stroke-width=\"7\"/>%n"
              .formatted(x, x, y(f.p10(), most), y(f.p90(), most)));
      svg.append(
          "<line x1=\"%.1f\" x2=\"%.1f\" y1=\"%.1f\" y2=\"%.1f\" stroke=\"#5f3f12\" stroke-width=\"2\"/>%n"
              .formatted(x - 6, x + 6, y(f.level(), most), y(f.level(), most)));
      svg.append(
          "<circle cx=\"%.1f\" cy=\"%.1f\" r=\"3.4\" fill=\"%s\" stroke=\"#fbf7ef\"/>%n"
              .formatted(x, y(f.reading(), most), f.inside80() ? "#1f4e5f" : "#a3312a"));
    }
    svg.append(
        "<text x=\"%d\" y=\"%d\" fill=\"#5c564a\">days; a red dot lies outside its bar</text>%n</svg>%n"
            .formatted(LEFT, HEIGHT - 12));
    Files.writeString(
        folder.resolve(
            "hindcast-" + way.name().toLowerCase(Locale.ROOT).replace('_', '-') + ".svg"),
        svg.toString());
  }

  private static double y(double value, double most) {
    return HEIGHT - BOTTOM - (HEIGHT - BOTTOM - TOP) * value / most;
  }

  private static double days(Instant from, Instant to) {
    return Duration.between(from, to).toSeconds() / 86_400.0;
  }
}
