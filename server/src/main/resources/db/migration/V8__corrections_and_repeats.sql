-- Which entry a line corrects, so that only one of them ever stands.
ALTER TABLE log_line
  ADD COLUMN corrects CHAR(36),
  ADD CONSTRAINT log_line_corrects FOREIGN KEY (corrects) REFERENCES log_entry (id);
UPDATE log_line l JOIN log_entry e ON e.replaced_by = l.id SET l.corrects = e.id;

-- What a tank was taken in from, by its hash, so that the same request is known again.
ALTER TABLE tank ADD COLUMN taken_in_sha256 CHAR(64) NOT NULL DEFAULT '';

-- The tank file allows 365 days of horizon and 12 intervals at most since.
UPDATE tank SET make_up = JSON_SET(make_up, '$.limits.horizonDays', 365)
  WHERE JSON_VALUE(make_up, '$.limits.horizonDays') > 365;
UPDATE tank SET make_up = JSON_REMOVE(make_up, '$.limits.intervalsDays')
  WHERE JSON_LENGTH(make_up, '$.limits.intervalsDays') > 12;
