package org.umberline.server.devices;

import java.util.ArrayList;
import java.util.List;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpMethod;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A feeder with a top-off unit. */
@Component
public class FeederLine {
  /** A unit that lets in so many times the usual is taken for stuck. Chosen. */
  private static final double FAR_TOO_MUCH = 3;

  private final DeviceLine line;
  private final boolean known;

  public FeederLine(@Value("${umberline.feeder:}") String address, JsonMapper json) {
    known = !address.isBlank();
    line = new DeviceLine(known ? address : "http://127.0.0.1:9", json);
  }

  /** Whether one was set up. */
  public boolean isKnown() {
    return known;
  }

  /**
   * What it reports of today.
   *
   * @param faults what is wrong with it and what to do, in words
   */
  public record Report(
      int portions, double gramsAPortion, double hopperG, double litres, List<String> faults) {}

  /**
   * @throws DeviceTrouble when the device does not answer as it should
   */
  public Report report() throws DeviceTrouble {
    JsonNode answer = line.ask(HttpMethod.GET, "/status");
    if (!answer.path("portionsToday").isNumber() || !answer.path("litresToday").isNumber()) {
      throw new DeviceTrouble("It answers what can’t be read.");
    }
    double litres = answer.path("litresToday").asDouble();
    double usual = answer.path("usualLitresADay").asDouble(0);
    double hopper = answer.path("hopperG").asDouble(0);
    List<String> faults = new ArrayList<>();
    if (answer.path("valveOpen").asBoolean(false)) {
      faults.add(
          "The top-off valve is stuck open: close the tap by hand, switch off at the fuse before"
              + " touching wet plugs, and test salinity.");
    } else if (usual > 0 && litres > FAR_TOO_MUCH * usual) {
      faults.add("The top-off let in far more than usual: look for a leak.");
    }
    if (hopper <= 0) {
      faults.add("The hopper is empty: nothing is fed. Feed by hand, then refill.");
    }
    return new Report(
        answer.path("portionsToday").asInt(),
        answer.path("gramsAPortion").asDouble(0),
        hopper,
        litres,
        List.copyOf(faults));
  }
}
