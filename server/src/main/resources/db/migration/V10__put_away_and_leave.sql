-- A tank that is put away is kept and can be read, but nobody is asked about it. One that is deleted
-- can be brought back until it is removed for good.
ALTER TABLE tank
  ADD COLUMN put_away_at DATETIME(6),
  ADD COLUMN deleted_at DATETIME(6);

-- When a keeper who is leaving is gone for good.
ALTER TABLE keeper ADD COLUMN leaves_at DATETIME(6);
