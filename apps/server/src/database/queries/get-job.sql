SELECT id, version, archived, document, updated_at, binned_at, sha256 FROM job WHERE id = ?;
