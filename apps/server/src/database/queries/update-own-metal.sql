UPDATE own_metal SET version = version + 1, document = @document, updated_at = @now
WHERE id = @id AND version = @version;
