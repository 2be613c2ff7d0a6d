package org.umberline.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.umberline.server.RunningServer.Running;

/** An older program leaves the database of a newer one alone. */
@ExtendWith(RunningServer.class)
class NewerDatabaseTest {
  @Test
  void itRefusesToStartAndSaysWhy(Running server) throws Exception {
    String url = "jdbc:mariadb://127.0.0.1:" + server.database().port() + "/umberline";
    try (Connection connection =
            DriverManager.getConnection(url, "umberline", server.database().password());
        Statement sql = connection.createStatement()) {
      sql.executeUpdate(
          "INSERT INTO flyway_schema_history VALUES"
              + " (999, '999', 'of a later release', 'SQL', 'V999__x.sql', 0, 'x', NOW(), 1, TRUE)");
      try {
        assertThatThrownBy(
                () ->
                    new SpringApplicationBuilder(UmberlineServer.class)
                        .run(
                            "--server.port=0",
                            "--spring.main.banner-mode=off",
                            "--logging.level.root=OFF",
                            "--spring.datasource.url=" + url,
                            "--spring.datasource.password=" + server.database().password()))
            .hasStackTraceContaining("written by a newer Umberline")
            .hasStackTraceContaining("version 999");
      } finally {
        assertThat(sql.executeUpdate("DELETE FROM flyway_schema_history WHERE version = '999'"))
            .isEqualTo(1);
      }
    }
  }
}
