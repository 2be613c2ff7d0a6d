-- An answer is also shown while a newer one is worked out, with the time it is from, as long as
-- the same build of the application wrote it. Derived: what is there is worked out anew.
DELETE FROM kept_answer;
ALTER TABLE kept_answer
  ADD COLUMN build VARCHAR(80) NOT NULL,
  ADD COLUMN worked_at DATETIME(6) NOT NULL;
