-- Who a place is looked after for, and which stop of the round it is.
CREATE TABLE site (
  id CHAR(36) NOT NULL PRIMARY KEY,
  keeper_id CHAR(36) NOT NULL,
  name VARCHAR(60) NOT NULL,
  client VARCHAR(120) NOT NULL,
  address VARCHAR(300) NOT NULL,
  contact VARCHAR(120) NOT NULL,
  stop INT,
  CONSTRAINT site_keeper FOREIGN KEY (keeper_id) REFERENCES keeper (id),
  CONSTRAINT site_name UNIQUE (keeper_id, name)
);
