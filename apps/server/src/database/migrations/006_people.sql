-- Who may come in over the shop's network, and as what.
CREATE TABLE person (
  initials      TEXT PRIMARY KEY,
  name          TEXT NOT NULL,
  role          TEXT NOT NULL CHECK (role IN ('look', 'work', 'sign', 'keep')),
  passphrase    TEXT NOT NULL,
  failed        INTEGER NOT NULL DEFAULT 0,
  locked_until  TEXT NOT NULL DEFAULT '',
  created_at    TEXT NOT NULL
) STRICT;

-- Sessions by the hash of what the browser holds: the table gives nobody's away.
CREATE TABLE session (
  hash          TEXT PRIMARY KEY,
  initials      TEXT NOT NULL REFERENCES person (initials) ON DELETE CASCADE,
  created_at    TEXT NOT NULL,
  seen_at       TEXT NOT NULL
) STRICT;

-- Links that show one job to somebody without a name.
CREATE TABLE link (
  hash          TEXT PRIMARY KEY,
  job_id        TEXT NOT NULL REFERENCES job (id) ON DELETE CASCADE,
  made_by       TEXT NOT NULL,
  made_at       TEXT NOT NULL,
  until         TEXT NOT NULL
) STRICT;

-- Invented jobs, which are taken away again: they and their books alone may be removed.
ALTER TABLE job ADD COLUMN demo INTEGER NOT NULL DEFAULT 0 CHECK (demo IN (0, 1));

DROP TRIGGER log_is_not_removed;
CREATE TRIGGER log_is_not_removed BEFORE DELETE ON log
WHEN NOT EXISTS (SELECT 1 FROM job WHERE id = OLD.job_id AND demo = 1)
BEGIN SELECT RAISE(ABORT, 'the logbook is append-only: a line is never removed'); END;

-- All that a page of the rack is picked, sorted and counted by, so that no document is passed on the way.
CREATE INDEX job_listed ON job (archived, binned_at, updated_at DESC, id, name, family, customer, aboard, version, demo);
