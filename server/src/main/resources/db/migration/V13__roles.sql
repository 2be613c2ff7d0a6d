-- What somebody else may do in a tank; who was let in before may do all but share and delete.
ALTER TABLE co_keeper ADD COLUMN role VARCHAR(12) NOT NULL DEFAULT 'CO_KEEPER';

-- A link that lets one keeper in, once; a link for a room has a row for each of its tanks.
CREATE TABLE invitation (
  id CHAR(36) NOT NULL PRIMARY KEY,
  token_hash CHAR(64) NOT NULL,
  tank_id CHAR(36) NOT NULL,
  role VARCHAR(12) NOT NULL,
  expires_at DATETIME(6) NOT NULL,
  CONSTRAINT invitation_tank FOREIGN KEY (tank_id) REFERENCES tank (id)
);
CREATE INDEX invitation_token_ix ON invitation (token_hash);
