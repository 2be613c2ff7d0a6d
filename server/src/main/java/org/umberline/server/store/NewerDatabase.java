package org.umberline.server.store;

import java.util.Arrays;
import java.util.Comparator;
import java.util.Objects;
import org.flywaydb.core.api.MigrationInfo;
import org.flywaydb.core.api.MigrationVersion;
import org.springframework.boot.diagnostics.AbstractFailureAnalyzer;
import org.springframework.boot.diagnostics.FailureAnalysis;
import org.springframework.boot.flyway.autoconfigure.FlywayMigrationStrategy;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** An older program does not touch the database of a newer one: it says so and ends. */
@Configuration
public class NewerDatabase {
  /** The database has migrations that this program does not know. */
  static final class Found extends RuntimeException {
    private static final long serialVersionUID = 1L;

    Found(MigrationVersion database, MigrationVersion program) {
      super(
          "The database was written by a newer Umberline: its tables are of version "
              + database
              + ", this program knows version "
              + program
              + ".");
    }
  }

  /** Says it without a stack trace. */
  static final class Analyzer extends AbstractFailureAnalyzer<Found> {
    @Override
    protected FailureAnalysis analyze(Throwable root, Found found) {
      return new FailureAnalysis(
          found.getMessage() + " Nothing was changed.",
          "Start the newer program again, or restore a backup made with this one.",
          found);
    }
  }

  @Bean
  FlywayMigrationStrategy newerDatabasesAreLeftAlone() {
    return flyway -> {
      MigrationInfo current = flyway.info().current();
      MigrationVersion known =
          Arrays.stream(flyway.info().all())
              .filter(migration -> migration.getState().isResolved())
              .map(MigrationInfo::getVersion)
              .filter(Objects::nonNull)
              .max(Comparator.naturalOrder())
              .orElse(MigrationVersion.EMPTY);
      if (current != null && current.getVersion().compareTo(known) > 0) {
        throw new Found(current.getVersion(), known);
      }
      flyway.migrate();
    };
  }
}
