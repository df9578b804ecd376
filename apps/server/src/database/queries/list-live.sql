SELECT id, version, name, document FROM job WHERE archived = 0 AND binned_at IS NULL ORDER BY rowid;
