-- What was worked out of a tank, so that a start or another process needn't do it again. Derived:
-- the whole table may be emptied at any time.
CREATE TABLE kept_answer (
  tank_id CHAR(36) NOT NULL,
  kind VARCHAR(20) NOT NULL,
  stamp CHAR(64) NOT NULL,
  answer MEDIUMTEXT NOT NULL,
  PRIMARY KEY (tank_id, kind),
  CONSTRAINT kept_answer_tank FOREIGN KEY (tank_id) REFERENCES tank (id)
);
