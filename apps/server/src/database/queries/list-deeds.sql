SELECT at, who, did, of, detail FROM deed WHERE @of = '' OR of = @of ORDER BY id DESC LIMIT @limit;
