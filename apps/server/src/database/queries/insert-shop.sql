INSERT INTO shop (id, version, document, updated_at) VALUES (1, 1, @document, @now)
ON CONFLICT (id) DO NOTHING;
