SELECT initials, name, role, passphrase, failed, locked_until FROM person WHERE initials = ?;
