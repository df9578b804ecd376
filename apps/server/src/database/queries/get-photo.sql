SELECT sha256, bytes, width, height FROM photo WHERE sha256 = ?;
