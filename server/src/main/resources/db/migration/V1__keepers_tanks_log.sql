CREATE TABLE keeper (
  id CHAR(36) NOT NULL PRIMARY KEY,
  sign_in_name VARCHAR(60) NOT NULL,
  password_hash VARCHAR(200) NOT NULL,
  created_at DATETIME(6) NOT NULL,
  CONSTRAINT keeper_sign_in_name UNIQUE (sign_in_name)
);

-- The make-up is a tank file without its log: one place for the format.
CREATE TABLE tank (
  id CHAR(36) NOT NULL PRIMARY KEY,
  owner_id CHAR(36) NOT NULL,
  name VARCHAR(120) NOT NULL,
  make_up LONGTEXT NOT NULL,
  version INT NOT NULL,
  log_revision BIGINT NOT NULL,
  created_at DATETIME(6) NOT NULL,
  CONSTRAINT tank_owner FOREIGN KEY (owner_id) REFERENCES keeper (id)
);
CREATE INDEX tank_owner_ix ON tank (owner_id);

-- A line as the keeper typed it; its entries stand in log_entry.
CREATE TABLE log_line (
  id CHAR(36) NOT NULL PRIMARY KEY,
  tank_id CHAR(36) NOT NULL,
  line VARCHAR(500) NOT NULL,
  typed_at DATETIME(6) NOT NULL,
  recorded_at DATETIME(6) NOT NULL,
  recorded_by CHAR(36) NOT NULL,
  withdrawn_at DATETIME(6),
  withdrawn_by CHAR(36),
  CONSTRAINT log_line_tank FOREIGN KEY (tank_id) REFERENCES tank (id),
  CONSTRAINT log_line_recorded_by FOREIGN KEY (recorded_by) REFERENCES keeper (id),
  CONSTRAINT log_line_withdrawn_by FOREIGN KEY (withdrawn_by) REFERENCES keeper (id)
);

-- An entry as it was said, in the form of a tank file's log. Imported entries belong to no line.
CREATE TABLE log_entry (
  id CHAR(36) NOT NULL PRIMARY KEY,
  tank_id CHAR(36) NOT NULL,
  line_id CHAR(36),
  happened_at DATETIME(6) NOT NULL,
  place INT NOT NULL,
  entry TEXT NOT NULL,
  CONSTRAINT log_entry_tank FOREIGN KEY (tank_id) REFERENCES tank (id),
  CONSTRAINT log_entry_line FOREIGN KEY (line_id) REFERENCES log_line (id)
);
CREATE INDEX log_entry_tank_ix ON log_entry (tank_id, happened_at);
