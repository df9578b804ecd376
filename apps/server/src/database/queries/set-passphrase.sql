UPDATE person SET passphrase = @passphrase, failed = 0, locked_until = '' WHERE initials = @initials;
