-- A private address of a keeper's calendar; only its hash is kept.
CREATE TABLE calendar_feed (
  keeper_id CHAR(36) NOT NULL PRIMARY KEY,
  token_hash CHAR(64) NOT NULL,
  made_at DATETIME(6) NOT NULL,
  CONSTRAINT calendar_feed_token UNIQUE (token_hash),
  CONSTRAINT calendar_feed_keeper FOREIGN KEY (keeper_id) REFERENCES keeper (id)
);
