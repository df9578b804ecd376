INSERT INTO job (id, version, document, created_at, updated_at, name, family, customer, aboard, note, sha256)
VALUES (@id, 1, @document, @now, @now, @name, @family, @customer, @aboard, @note, @sha256)
ON CONFLICT (id) DO NOTHING;
