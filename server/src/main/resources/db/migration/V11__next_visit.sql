-- What was said and how the tank stood on leaving: the page that was left stays what it was.
ALTER TABLE visit ADD COLUMN next_on DATE, ADD COLUMN leaving TEXT;
