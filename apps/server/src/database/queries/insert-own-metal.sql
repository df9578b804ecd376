INSERT INTO own_metal (id, version, document, updated_at) VALUES (@id, 1, @document, @now)
ON CONFLICT (id) DO NOTHING;
