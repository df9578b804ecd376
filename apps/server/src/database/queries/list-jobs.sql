SELECT id, version, archived, document, updated_at FROM job ORDER BY archived, rowid;
