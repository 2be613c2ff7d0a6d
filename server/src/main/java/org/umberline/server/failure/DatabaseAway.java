package org.umberline.server.failure;

import java.sql.SQLException;
import java.sql.SQLNonTransientConnectionException;
import java.sql.SQLRecoverableException;
import java.sql.SQLTransientConnectionException;

/** Tells a database that is away from every other failure. */
final class DatabaseAway {
  static final String DETAIL =
      "The database is away. Nothing was lost; the page tries again by itself.";

  private DatabaseAway() {}

  static boolean causes(Throwable failure) {
    for (Throwable cause = failure; cause != null; cause = cause.getCause()) {
      if (cause instanceof SQLTransientConnectionException
          || cause instanceof SQLNonTransientConnectionException
          || cause instanceof SQLRecoverableException
          // SQLSTATE class 08: connection exception; 57P/70100: the server shuts down
          || cause instanceof SQLException sql
              && sql.getSQLState() != null
              && (sql.getSQLState().startsWith("08") || sql.getSQLState().equals("70100"))) {
        return true;
      }
      if (cause.getCause() == cause) {
        return false;
      }
    }
    return false;
  }
}
