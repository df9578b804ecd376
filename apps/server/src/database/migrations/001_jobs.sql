-- A job's current document and every version it has had.
CREATE TABLE job (
  id          TEXT PRIMARY KEY,
  version     INTEGER NOT NULL CHECK (version >= 1),
  archived    INTEGER NOT NULL DEFAULT 0 CHECK (archived IN (0, 1)),
  document    TEXT NOT NULL,
  created_at  TEXT NOT NULL,
  updated_at  TEXT NOT NULL
) STRICT;

CREATE TABLE job_version (
  job_id    TEXT NOT NULL REFERENCES job (id) ON DELETE CASCADE,
  version   INTEGER NOT NULL,
  document  TEXT NOT NULL,
  saved_at  TEXT NOT NULL,
  PRIMARY KEY (job_id, version)
) STRICT, WITHOUT ROWID;

CREATE INDEX job_by_state ON job (archived, updated_at DESC);
