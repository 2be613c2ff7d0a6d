-- When the next visit is meant to be, as it was said on leaving.
ALTER TABLE visit ADD COLUMN next_on DATE;
