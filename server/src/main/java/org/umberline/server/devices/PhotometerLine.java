package org.umberline.server.devices;

import java.util.OptionalDouble;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpMethod;
import org.springframework.stereotype.Component;
import org.umberline.core.tank.Qualifier;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A photometer. A measurement has an id of the client's, so that asking again measures once. */
@Component
public class PhotometerLine {
  private static final double MOST_MG_L = 1000;

  private final DeviceLine line;
  private final boolean known;

  public PhotometerLine(@Value("${umberline.photometer:}") String address, JsonMapper json) {
    known = !address.isBlank();
    line = new DeviceLine(known ? address : "http://127.0.0.1:9", json);
  }

  /** Whether one was set up. */
  public boolean isKnown() {
    return known;
  }

  /**
   * How far a measurement is.
   *
   * @param mgL of the ion once it is done, in mg/L
   */
  public record Measurement(boolean done, OptionalDouble mgL, Qualifier qualifier) {}

  /**
   * Begins a measurement, or looks how far it is.
   *
   * @throws DeviceTrouble when the device does not answer as it should
   */
  public Measurement measure(UUID id, String analyte) throws DeviceTrouble {
    if (!known) {
      throw new DeviceTrouble("No photometer is set up.");
    }
    JsonNode answer = line.ask(HttpMethod.PUT, "/measurements/" + id + "/" + analyte);
    String state = answer.path("state").asString("");
    if (state.equals("measuring")) {
      return new Measurement(false, OptionalDouble.empty(), Qualifier.EQUAL);
    }
    if (state.equals("refused")) {
      throw new DeviceTrouble("It can’t measure " + analyte + ".");
    }
    double mgL = answer.path("mgL").asDouble(-1);
    boolean good =
        state.equals("done")
            && answer.path("analyte").asString("").equals(analyte)
            && mgL >= 0
            && mgL <= MOST_MG_L;
    if (!good) {
      throw new DeviceTrouble("It answers what can’t be read.");
    }
    Qualifier qualifier =
        switch (answer.path("range").asString("within")) {
          case "over" -> Qualifier.ABOVE;
          case "under" -> Qualifier.BELOW;
          default -> Qualifier.EQUAL;
        };
    return new Measurement(true, OptionalDouble.of(mgL), qualifier);
  }
}
