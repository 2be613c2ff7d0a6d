package org.umberline.server.account;

import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Removes for good, whatever hangs on it first. To be called within a transaction. */
@Component
public class Removal {
  private static final List<String> OF_A_TANK =
      List.of(
          "DELETE FROM kept_answer WHERE tank_id = ?",
          "DELETE FROM what_if WHERE tank_id = ?",
          "DELETE FROM photo WHERE tank_id = ?",
          "DELETE FROM visit WHERE tank_id = ?",
          // lines and the entries they correct name one another
          "UPDATE log_line SET corrects = NULL WHERE tank_id = ?",
          "UPDATE log_entry SET replaced_by = NULL WHERE tank_id = ?",
          "DELETE FROM log_entry WHERE tank_id = ?",
          "DELETE FROM log_line WHERE tank_id = ?",
          "DELETE FROM invitation WHERE tank_id = ?",
          "DELETE FROM sitter_link WHERE tank_id = ?",
          "DELETE FROM co_keeper WHERE tank_id = ?",
          "DELETE FROM tank WHERE id = ?");

  private final JdbcClient database;

  Removal(JdbcClient database) {
    this.database = database;
  }

  /** A tank with its log, photos, visits and what-ifs. */
  public void tank(UUID id) {
    OF_A_TANK.forEach(statement -> database.sql(statement).param(id.toString()).update());
  }

  /**
   * What a keeper alone needs. His row stays without a name or a password: what he wrote in tanks
   * of others stays, and with it who wrote it.
   */
  public void keeper(UUID id) {
    database.sql("DELETE FROM co_keeper WHERE keeper_id = ?").param(id.toString()).update();
    database.sql("DELETE FROM site WHERE keeper_id = ?").param(id.toString()).update();
    database.sql("DELETE FROM calendar_feed WHERE keeper_id = ?").param(id.toString()).update();
    // no name that may be chosen begins so
    database
        .sql(
            "UPDATE keeper SET sign_in_name = CONCAT('-', id), password_hash = '', units = '{}',"
                + " leaves_at = NULL WHERE id = ?")
        .param(id.toString())
        .update();
  }
}
