package org.umberline.server.http;

import java.sql.SQLException;
import java.sql.SQLNonTransientConnectionException;
import java.sql.SQLRecoverableException;
import java.sql.SQLTransientConnectionException;
import java.util.Optional;
import java.util.Set;
import org.springframework.dao.PessimisticLockingFailureException;
import org.springframework.http.HttpStatus;

/** Troubles of the database that are told as what they are. */
enum DatabaseTrouble {
  AWAY(
      HttpStatus.SERVICE_UNAVAILABLE,
      "The database is away. Nothing was lost; the page tries again by itself."),
  BUSY(
      HttpStatus.SERVICE_UNAVAILABLE,
      "Too much is being written at once. Nothing was saved; ask again in a moment."),
  FULL(
      HttpStatus.INSUFFICIENT_STORAGE,
      "The disk of the database is full. Nothing was saved; whoever runs the server must make"
          + " room.");

  /** MariaDB's error codes for a full disk or table: ER_DISK_FULL and ER_RECORD_FILE_FULL. */
  private static final Set<Integer> DISK_FULL = Set.of(1021, 1114);

  private final HttpStatus status;
  private final String detail;

  DatabaseTrouble(HttpStatus status, String detail) {
    this.status = status;
    this.detail = detail;
  }

  HttpStatus status() {
    return status;
  }

  /** When asking again may help, in seconds; 0 where somebody has to act first. */
  long retryAfterSeconds() {
    return this == FULL ? 0 : 2;
  }

  String detail() {
    return detail;
  }

  static Optional<DatabaseTrouble> of(Throwable failure) {
    for (Throwable cause = failure; cause != null; cause = cause.getCause()) {
      if (cause instanceof PessimisticLockingFailureException) {
        return Optional.of(BUSY);
      }
      // a pool that is used up has no cause of its own; one whose database is gone has
      if (cause instanceof SQLTransientConnectionException
          && cause.getCause() == null
          && String.valueOf(cause.getMessage()).contains("request timed out")) {
        return Optional.of(BUSY);
      }
      if (cause instanceof SQLException sql && isFull(sql)) {
        return Optional.of(FULL);
      }
      if (cause instanceof SQLTransientConnectionException
          || cause instanceof SQLNonTransientConnectionException
          || cause instanceof SQLRecoverableException
          || cause instanceof SQLException sql && isConnection(sql)) {
        return Optional.of(AWAY);
      }
      // what could not be rolled back or sent hides its cause beside the chain
      for (Throwable beside : cause.getSuppressed()) {
        Optional<DatabaseTrouble> trouble = of(beside);
        if (trouble.isPresent()) {
          return trouble;
        }
      }
      if (cause.getCause() == cause) {
        return Optional.empty();
      }
    }
    return Optional.empty();
  }

  private static boolean isFull(SQLException sql) {
    return DISK_FULL.contains(sql.getErrorCode())
        || String.valueOf(sql.getMessage()).contains("No space left on device");
  }

  private static boolean isConnection(SQLException sql) {
    // class 08: connection exception; 70100: the server shuts down; Hikari closes a broken
    // connection
    String state = sql.getSQLState();
    return state != null && (state.startsWith("08") || state.equals("70100"))
        || String.valueOf(sql.getMessage()).startsWith("Connection is closed");
  }
}
