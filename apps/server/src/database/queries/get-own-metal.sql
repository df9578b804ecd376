SELECT id, version, document, updated_at FROM own_metal WHERE id = ?;
