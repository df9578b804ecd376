-- Rows the shop wrote itself. Built-in rows are part of the program, so an upgrade replaces those and never these.
CREATE TABLE own_metal (
  id          TEXT PRIMARY KEY CHECK (id LIKE 'own-%'),
  version     INTEGER NOT NULL CHECK (version >= 1),
  document    TEXT NOT NULL,
  updated_at  TEXT NOT NULL
) STRICT;
