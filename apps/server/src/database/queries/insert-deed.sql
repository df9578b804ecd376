INSERT INTO deed (at, who, did, of, detail) VALUES (@at, @who, @did, @of, @detail);
