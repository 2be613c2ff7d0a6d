package org.umberline.server;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ParameterContext;
import org.junit.jupiter.api.extension.ParameterResolver;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.boot.web.server.servlet.context.ServletWebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Primary;

/**
 * Starts the real application once for all tests of a JVM, on a database of its own and any free
 * port, with a clock that stands still.
 */
public final class RunningServer implements ParameterResolver {
  private static Running shared;

  /** The present of every test. */
  public static final Instant NOW = Instant.parse("2026-11-25T12:00:00Z");

  /** What a test gets. */
  public record Running(int port, ConfigurableApplicationContext beans, PrivateDatabase database) {
    public Browser browser() {
      return new Browser("http://127.0.0.1:" + port);
    }
  }

  @Configuration
  static class StoppedClock {
    @Bean
    @Primary
    Clock stoppedClock() {
      return Clock.fixed(NOW, ZoneOffset.UTC);
    }
  }

  @Override
  public boolean supportsParameter(ParameterContext parameter, ExtensionContext context) {
    return parameter.getParameter().getType() == Running.class;
  }

  @Override
  public Object resolveParameter(ParameterContext parameter, ExtensionContext context) {
    return shared();
  }

  /** Ended with the JVM: one of several that share the tests runs its classes one by one. */
  private static synchronized Running shared() {
    if (shared == null) {
      shared = start();
      Runtime.getRuntime()
          .addShutdownHook(
              new Thread(
                  () -> {
                    shared.beans.close();
                    shared.database.close();
                  }));
    }
    return shared;
  }

  private static Running start() {
    PrivateDatabase database = new PrivateDatabase("test-server").start();
    try {
      ConfigurableApplicationContext beans =
          new SpringApplicationBuilder(UmberlineServer.class, StoppedClock.class)
              .run(
                  "--server.port=0",
                  "--umberline.demo=true",
                  "--umberline.ahead=false",
                  "--umberline.sign-up=true",
                  "--logging.level.root=WARN",
                  "--spring.main.banner-mode=off",
                  "--spring.datasource.url=jdbc:mariadb://127.0.0.1:"
                      + database.port()
                      + "/umberline",
                  "--spring.datasource.password=" + database.password());
      int port = ((ServletWebServerApplicationContext) beans).getWebServer().getPort();
      return new Running(port, beans, database);
    } catch (RuntimeException failure) {
      database.close();
      throw failure;
    }
  }
}
