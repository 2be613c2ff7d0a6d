-- A visit to a tank one looks after for somebody: how it stood on arrival, as it was then.
CREATE TABLE visit (
  id CHAR(36) NOT NULL PRIMARY KEY,
  tank_id CHAR(36) NOT NULL,
  keeper_id CHAR(36) NOT NULL,
  begun_at DATETIME(6) NOT NULL,
  ended_at DATETIME(6),
  seen VARCHAR(1000) NOT NULL,
  advice VARCHAR(1000) NOT NULL,
  baseline TEXT NOT NULL,
  CONSTRAINT visit_tank FOREIGN KEY (tank_id) REFERENCES tank (id),
  CONSTRAINT visit_keeper FOREIGN KEY (keeper_id) REFERENCES keeper (id)
);
CREATE INDEX visit_tank_ix ON visit (tank_id, begun_at);
