package org.umberline.server;

import java.time.Clock;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.context.annotation.Bean;
import org.umberline.server.demo.WarmUp;

/** The application: HTTP API, persistence, sign-in, and the page. */
@SpringBootApplication
@ConfigurationPropertiesScan
public class UmberlineServer {
  /** System property that leaves the warming up out, where a process won't live long. */
  private static final String WARM_UP = "umberline.warm-up";

  public static void main(String[] arguments) {
    if (Boolean.parseBoolean(System.getProperty(WARM_UP, "true"))) {
      WarmUp.begin();
    }
    SpringApplication.run(UmberlineServer.class, arguments);
  }

  /** The one clock; the computation gets its time as a parameter. */
  @Bean
  Clock clock() {
    return Clock.systemUTC();
  }
}
