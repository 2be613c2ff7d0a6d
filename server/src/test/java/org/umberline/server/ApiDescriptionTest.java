package org.umberline.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.umberline.server.RunningServer.Running;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/**
 * The page's types are made from web/src/api/openapi.json; this keeps that file the same as what
 * the server publishes. {@code -Dopenapi.update=true} writes it anew.
 */
@ExtendWith(RunningServer.class)
class ApiDescriptionTest {
  @Test
  void theCommittedDescriptionIsTheServersOwn(Running server) throws Exception {
    JsonMapper mapper = JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();
    String published =
        mapper.writeValueAsString(server.browser().asWren().get("/api/openapi").json()) + "\n";
    Path committed = PrivateDatabase.repository().resolve("web/src/api/openapi.json");
    if (Boolean.getBoolean("openapi.update")) {
      Files.writeString(committed, published);
    }
    assertThat(mapper.readTree(Files.readString(committed)))
        .as("web/src/api/openapi.json; renew it with -Dopenapi.update=true")
        .isEqualTo(mapper.readTree(published));
  }
}
