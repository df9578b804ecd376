-- How far what goes by use has come, in words, where most of it is used up: no day can be named, but it is due soon too.
-- What was worked out before is worked out again.
DELETE FROM asks;
ALTER TABLE asks ADD COLUMN by_use TEXT NOT NULL DEFAULT '';
