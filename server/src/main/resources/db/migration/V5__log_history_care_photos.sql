-- An entry can be withdrawn by itself, and be replaced by the line that corrects it.
ALTER TABLE log_entry
  ADD COLUMN withdrawn_at DATETIME(6),
  ADD COLUMN withdrawn_by CHAR(36),
  ADD COLUMN replaced_by CHAR(36),
  ADD CONSTRAINT log_entry_withdrawn_by FOREIGN KEY (withdrawn_by) REFERENCES keeper (id),
  ADD CONSTRAINT log_entry_replaced_by FOREIGN KEY (replaced_by) REFERENCES log_line (id);

-- How a tank is cared for, besides what its tank file says.
ALTER TABLE tank ADD COLUMN care LONGTEXT NOT NULL DEFAULT '{}';
ALTER TABLE tank ADD COLUMN care_version INT NOT NULL DEFAULT 0;

-- Pictures, re-encoded, without what a camera writes into them.
CREATE TABLE photo (
  id CHAR(36) NOT NULL PRIMARY KEY,
  tank_id CHAR(36) NOT NULL,
  taken_at DATETIME(6) NOT NULL,
  note VARCHAR(200) NOT NULL,
  width INT NOT NULL,
  height INT NOT NULL,
  jpeg MEDIUMBLOB NOT NULL,
  added_at DATETIME(6) NOT NULL,
  added_by CHAR(36) NOT NULL,
  CONSTRAINT photo_tank FOREIGN KEY (tank_id) REFERENCES tank (id),
  CONSTRAINT photo_added_by FOREIGN KEY (added_by) REFERENCES keeper (id)
);
CREATE INDEX photo_tank_ix ON photo (tank_id, taken_at);
