package org.umberline.tankfile;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

class AssumedTest {
  private static final String SAID =
      """
      {"format": "umberline-tank", "version": 1,
       "tank": {"name": "Pond", "water": "freshwater", "netVolumeL": 80, "temperatureC": 19},
       "foods": [{"id": "flake", "form": "dry", "proteinPercent": 38}],
       "feeding": [{"food": "flake", "gramsPerFeed": 1},
                   {"food": "flake", "gramsPerFeed": 1, "uneatenFraction": 0.2}]}
      """;

  @Test
  void whatNobodySaidIsTold() throws TankFileException {
    List<String> assumed = Assumed.in(TankFileWriter.tree(TankFileReader.read(SAID).tank()));
    assertThat(assumed)
        .contains(
            "/tank/pH",
            "/foods/0/moisturePercent",
            "/feeding/0/uneatenFraction",
            "/limits/maxChangeFraction",
            "/effort/bucketL")
        .doesNotContain(
            "/tank/temperatureC",
            "/tank/netVolumeL",
            "/foods/0/proteinPercent",
            "/feeding/1/uneatenFraction");
  }
}
