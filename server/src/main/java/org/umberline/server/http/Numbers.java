package org.umberline.server.http;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.umberline.tankfile.FiguresModule;
import tools.jackson.databind.JacksonModule;

/** Numbers of any answer are told to the digits that are known. */
@Configuration
class Numbers {
  @Bean
  JacksonModule figures() {
    return new FiguresModule();
  }
}
