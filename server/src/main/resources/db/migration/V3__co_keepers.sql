-- Who besides its owner may see and write in a tank.
CREATE TABLE co_keeper (
  tank_id CHAR(36) NOT NULL,
  keeper_id CHAR(36) NOT NULL,
  PRIMARY KEY (tank_id, keeper_id),
  CONSTRAINT co_keeper_tank FOREIGN KEY (tank_id) REFERENCES tank (id),
  CONSTRAINT co_keeper_keeper FOREIGN KEY (keeper_id) REFERENCES keeper (id)
);
CREATE INDEX co_keeper_keeper_ix ON co_keeper (keeper_id);
