-- The logbook of a job: written once, never changed. Each line hashes the one before it.
CREATE TABLE log (
  job_id      TEXT NOT NULL REFERENCES job (id),
  seq         INTEGER NOT NULL CHECK (seq >= 1),
  id          TEXT NOT NULL,
  prev        TEXT NOT NULL,
  hash        TEXT NOT NULL,
  received    TEXT NOT NULL,
  entry       TEXT NOT NULL,
  PRIMARY KEY (job_id, seq),
  UNIQUE (job_id, id)
) STRICT;

CREATE TRIGGER log_is_not_changed BEFORE UPDATE ON log
BEGIN SELECT RAISE(ABORT, 'the logbook is append-only: a line is never changed'); END;

CREATE TRIGGER log_is_not_removed BEFORE DELETE ON log
BEGIN SELECT RAISE(ABORT, 'the logbook is append-only: a line is never removed'); END;

CREATE TRIGGER log_follows_on BEFORE INSERT ON log
WHEN NEW.seq <> (SELECT COALESCE(MAX(seq), 0) + 1 FROM log WHERE job_id = NEW.job_id)
  OR NEW.prev <> COALESCE((SELECT hash FROM log WHERE job_id = NEW.job_id ORDER BY seq DESC LIMIT 1),
                          '0000000000000000000000000000000000000000000000000000000000000000')
BEGIN SELECT RAISE(ABORT, 'the logbook is append-only: a line follows the last one'); END;

-- Photographs stand beside the database as files named by what is in them; here is what each was when it came.
CREATE TABLE photo (
  sha256      TEXT PRIMARY KEY,
  bytes       INTEGER NOT NULL CHECK (bytes > 0),
  width       INTEGER NOT NULL CHECK (width > 0),
  height      INTEGER NOT NULL CHECK (height > 0),
  created_at  TEXT NOT NULL
) STRICT;
