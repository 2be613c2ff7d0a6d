package org.umberline.server.learning;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.umberline.core.simulation.Workers;

/** The threads on which tanks are run; one set for the whole application. */
@Configuration
class RunsOfDraws {
  @Bean
  Workers workers() {
    return Workers.ofAllProcessors();
  }
}
