-- What the shop says of itself, once; and which version of a job was last printed as a packet.
CREATE TABLE shop (
  id          INTEGER PRIMARY KEY CHECK (id = 1),
  version     INTEGER NOT NULL CHECK (version >= 1),
  document    TEXT NOT NULL,
  updated_at  TEXT NOT NULL
) STRICT;

CREATE TABLE packet (
  job_id      TEXT PRIMARY KEY REFERENCES job (id) ON DELETE CASCADE,
  version     INTEGER NOT NULL CHECK (version >= 1),
  printed_at  TEXT NOT NULL
) STRICT;
