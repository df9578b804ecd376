UPDATE shop SET version = version + 1, document = @document, updated_at = @now
WHERE id = 1 AND version = @version;
