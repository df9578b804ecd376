INSERT INTO job (id, version, document, created_at, updated_at) VALUES (@id, 1, @document, @now, @now)
ON CONFLICT (id) DO NOTHING;
