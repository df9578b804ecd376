-- The day the first of what a job asks for falls due, empty where none does yet: the rack is sorted and searched by it.
-- What was worked out before is worked out again.
DELETE FROM asks;
ALTER TABLE asks ADD COLUMN next_on TEXT NOT NULL DEFAULT '';
