-- What the rack lists and searches, beside the document.
ALTER TABLE job ADD COLUMN name TEXT NOT NULL DEFAULT '';
ALTER TABLE job ADD COLUMN family TEXT NOT NULL DEFAULT '';
ALTER TABLE job ADD COLUMN customer TEXT NOT NULL DEFAULT '';
ALTER TABLE job ADD COLUMN aboard TEXT NOT NULL DEFAULT '';
ALTER TABLE job ADD COLUMN note TEXT NOT NULL DEFAULT '';
ALTER TABLE job ADD COLUMN binned_at TEXT;
-- Of the document as it was written; empty where it is older than this column. SQLite itself keeps no checksum.
ALTER TABLE job ADD COLUMN sha256 TEXT NOT NULL DEFAULT '';

UPDATE job SET
  name = coalesce(CAST(document ->> '$.name' AS TEXT), ''),
  family = coalesce(CAST(document ->> '$.family' AS TEXT), ''),
  note = coalesce(CAST(document ->> '$.note' AS TEXT), '')
WHERE json_valid(document);

CREATE INDEX job_by_name ON job (name COLLATE NOCASE);

-- Each verdict with the version it belongs to, and the edition of the program that gave it.
CREATE TABLE verdict (
  job_id      TEXT NOT NULL REFERENCES job (id) ON DELETE CASCADE,
  version     INTEGER NOT NULL CHECK (version >= 1),
  edition     TEXT NOT NULL,
  state       TEXT NOT NULL,
  good_for    REAL,
  verdict     TEXT NOT NULL,
  judged_at   TEXT NOT NULL,
  PRIMARY KEY (job_id, version)
) STRICT, WITHOUT ROWID;

-- What a tag draws: of the newest version that was judged. A document that does not read has the reason instead.
CREATE TABLE face (
  job_id      TEXT PRIMARY KEY REFERENCES job (id) ON DELETE CASCADE,
  version     INTEGER NOT NULL,
  edition     TEXT NOT NULL,
  drawn       TEXT,
  unreadable  TEXT NOT NULL DEFAULT ''
) STRICT;

-- What a job asks for through the years, as of a version and so many lines of its book.
CREATE TABLE asks (
  job_id      TEXT PRIMARY KEY REFERENCES job (id) ON DELETE CASCADE,
  version     INTEGER NOT NULL,
  lines       INTEGER NOT NULL,
  edition     TEXT NOT NULL,
  tasks       TEXT NOT NULL
) STRICT;

-- Every version there was: whole, or as what differs from the one before; by whom, and what was done.
CREATE TABLE kept_version (
  job_id      TEXT NOT NULL REFERENCES job (id) ON DELETE CASCADE,
  version     INTEGER NOT NULL,
  saved_at    TEXT NOT NULL,
  who         TEXT NOT NULL DEFAULT '',
  did         TEXT NOT NULL DEFAULT '',
  packed      TEXT NOT NULL CHECK (packed IN ('plain', 'whole', 'onto the one before')),
  body        BLOB NOT NULL,
  PRIMARY KEY (job_id, version)
) STRICT, WITHOUT ROWID;

INSERT INTO kept_version (job_id, version, saved_at, packed, body)
  SELECT job_id, version, saved_at, 'plain', CAST(document AS BLOB) FROM job_version;
DROP TABLE job_version;

-- What was done besides writing in a document: to jobs, stock, shop and people.
CREATE TABLE deed (
  id          INTEGER PRIMARY KEY,
  at          TEXT NOT NULL,
  who         TEXT NOT NULL,
  did         TEXT NOT NULL,
  of          TEXT NOT NULL,
  detail      TEXT NOT NULL DEFAULT ''
) STRICT;

CREATE INDEX deed_by_what ON deed (of, id);

-- Words to find a job by, kept in step by the database itself.
CREATE VIRTUAL TABLE job_search USING fts5 (
  job_id UNINDEXED, name, customer, aboard, family, note, words,
  tokenize = 'unicode61 remove_diacritics 2', prefix = '2 3'
);

CREATE VIEW job_words AS
  SELECT id, name, customer, aboard, family, note,
    CASE WHEN json_valid(document)
      THEN (SELECT group_concat(value, ' ') FROM json_tree(document) WHERE type = 'text' AND key IN ('name', 'note', 'metal', 'size'))
      ELSE '' END AS words
  FROM job;

INSERT INTO job_search SELECT * FROM job_words;

CREATE TRIGGER job_is_found AFTER INSERT ON job
BEGIN INSERT INTO job_search SELECT * FROM job_words WHERE id = NEW.id; END;

CREATE TRIGGER job_is_found_anew AFTER UPDATE OF document, name, customer, aboard, note ON job
BEGIN
  DELETE FROM job_search WHERE job_id = OLD.id;
  INSERT INTO job_search SELECT * FROM job_words WHERE id = NEW.id;
END;

CREATE TRIGGER job_is_found_no_more AFTER DELETE ON job
BEGIN DELETE FROM job_search WHERE job_id = OLD.id; END;
