INSERT INTO session (hash, initials, created_at, seen_at) VALUES (@hash, @initials, @now, @now);
