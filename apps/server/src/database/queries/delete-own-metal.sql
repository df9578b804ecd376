DELETE FROM own_metal WHERE id = ?;
