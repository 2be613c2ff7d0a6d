-- Where a tank stands, so that rounds can be walked room by room.
ALTER TABLE tank ADD COLUMN site VARCHAR(60) NOT NULL DEFAULT '';

-- The units a keeper reads in, as the page sends them.
ALTER TABLE keeper ADD COLUMN units VARCHAR(400) NOT NULL DEFAULT '{}';

-- A named what-if: tries of the ledger's lines and a routine, as the page sent them.
CREATE TABLE what_if (
  id CHAR(36) NOT NULL PRIMARY KEY,
  tank_id CHAR(36) NOT NULL,
  name VARCHAR(80) NOT NULL,
  body TEXT NOT NULL,
  saved_at DATETIME(6) NOT NULL,
  saved_by CHAR(36) NOT NULL,
  CONSTRAINT what_if_tank FOREIGN KEY (tank_id) REFERENCES tank (id),
  CONSTRAINT what_if_saved_by FOREIGN KEY (saved_by) REFERENCES keeper (id)
);
CREATE INDEX what_if_tank_ix ON what_if (tank_id, saved_at);
