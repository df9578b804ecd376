INSERT INTO person (initials, name, role, passphrase, created_at) VALUES (@initials, @name, @role, @passphrase, @now)
ON CONFLICT (initials) DO NOTHING;
