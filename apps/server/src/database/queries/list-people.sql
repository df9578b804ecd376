SELECT initials, name, role, failed, locked_until FROM person ORDER BY name COLLATE NOCASE;
