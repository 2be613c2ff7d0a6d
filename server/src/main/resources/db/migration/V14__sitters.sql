-- A page for whoever feeds while the keeper is away, at an address without a sign-in.
CREATE TABLE sitter_link (
  id CHAR(36) NOT NULL PRIMARY KEY,
  tank_id CHAR(36) NOT NULL,
  token_hash CHAR(64) NOT NULL,
  made_by CHAR(36) NOT NULL,
  from_day DATE NOT NULL,
  to_day DATE NOT NULL,
  grams_per_day DOUBLE NOT NULL,
  CONSTRAINT sitter_link_tank FOREIGN KEY (tank_id) REFERENCES tank (id),
  CONSTRAINT sitter_link_made_by FOREIGN KEY (made_by) REFERENCES keeper (id),
  CONSTRAINT sitter_link_token UNIQUE (token_hash)
);
CREATE INDEX sitter_link_tank_ix ON sitter_link (tank_id, from_day);
