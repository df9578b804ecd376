INSERT INTO photo (sha256, bytes, width, height, created_at) VALUES (:sha256, :bytes, :width, :height, :now) ON CONFLICT (sha256) DO NOTHING;
