SELECT version, document FROM shop WHERE id = 1;
