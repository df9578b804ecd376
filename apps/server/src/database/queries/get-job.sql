SELECT id, version, archived, document, updated_at FROM job WHERE id = ?;
