package org.umberline.server.http;

import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Content;
import io.swagger.v3.oas.models.media.JsonSchema;
import io.swagger.v3.oas.models.media.MediaType;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.responses.ApiResponse;
import io.swagger.v3.oas.models.servers.Server;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The published description of the API, from which the page's types are made. */
@Configuration
class ApiDescription {
  @Bean
  OpenAPI umberlineApi() {
    return new OpenAPI()
        .info(new Info().title("Umberline").version("1"))
        // whatever address it was asked under, and however often, the description is the same
        .servers(List.of(new Server().url("/")));
  }

  /** Every field is always there unless it says that it may be absent; failures are problems. */
  @Bean
  OpenApiCustomizer everyFieldIsRequiredUnlessNullable() {
    return api -> {
      var converters = io.swagger.v3.core.converter.ModelConverters.getInstance(true);
      api.getComponents().getSchemas().putAll(converters.readAll(ProblemViews.Problem.class));
      api.getComponents().getSchemas().values().forEach(ApiDescription::require);
      ApiResponse problem =
          new ApiResponse()
              .description("a problem (RFC 9457)")
              .content(
                  new Content()
                      .addMediaType(
                          "application/problem+json",
                          new MediaType()
                              .schema(new JsonSchema().$ref("#/components/schemas/Problem"))));
      api.getPaths()
          .values()
          .forEach(
              path ->
                  path.readOperations()
                      .forEach(
                          operation ->
                              operation.getResponses().addApiResponse("default", problem)));
    };
  }

  @SuppressWarnings("unchecked")
  private static void require(Schema<?> schema) {
    if (schema.getProperties() == null) {
      return;
    }
    List<String> required = new ArrayList<>();
    ((Map<String, Schema<?>>) (Map<?, ?>) schema.getProperties())
        .forEach(
            (name, property) -> {
              boolean nullable =
                  Boolean.TRUE.equals(property.getNullable())
                      || property.getTypes() != null && property.getTypes().contains("null");
              if (nullable) {
                property.setNullable(null);
                if (property.getTypes() != null) {
                  property.getTypes().remove("null");
                  if (property.getTypes().isEmpty()) {
                    property.setTypes(null);
                  }
                }
              } else {
                required.add(name);
              }
            });
    schema.setRequired(required);
  }
}
