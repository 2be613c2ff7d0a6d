package org.umberline.server.devices;

import java.net.http.HttpClient;
import java.time.Duration;
import org.springframework.http.HttpMethod;
import org.springframework.http.client.JdkClientHttpRequestFactory;
import org.springframework.web.client.ResourceAccessException;
import org.springframework.web.client.RestClient;
import org.springframework.web.client.RestClientException;
import org.springframework.web.client.RestClientResponseException;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The line to one device. What goes wrong on it is told as what it is. */
final class DeviceLine {
  private static final Duration PATIENCE = Duration.ofSeconds(2);

  private final RestClient client;
  private final JsonMapper json;

  DeviceLine(String address, JsonMapper json) {
    this.json = json;
    JdkClientHttpRequestFactory factory =
        new JdkClientHttpRequestFactory(HttpClient.newBuilder().connectTimeout(PATIENCE).build());
    factory.setReadTimeout(PATIENCE);
    client = RestClient.builder().baseUrl(address).requestFactory(factory).build();
  }

  /**
   * Asks the device.
   *
   * @throws DeviceTrouble when it does not answer, or answers what is no answer
   */
  JsonNode ask(HttpMethod method, String path) throws DeviceTrouble {
    String body;
    try {
      body = client.method(method).uri(path).retrieve().body(String.class);
    } catch (RestClientResponseException refused) {
      throw new DeviceTrouble("It answers with status " + refused.getStatusCode().value() + ".");
    } catch (ResourceAccessException away) {
      throw new DeviceTrouble("It does not answer.");
    } catch (RestClientException unreadable) {
      throw new DeviceTrouble("It answers what can’t be read.");
    }
    try {
      JsonNode answer = json.readTree(body == null ? "" : body);
      if (answer == null || !answer.isObject()) {
        throw new DeviceTrouble("It answers what can’t be read.");
      }
      return answer;
    } catch (JacksonException garbage) {
      throw new DeviceTrouble("It answers what can’t be read.");
    }
  }
}
