"""Schema changes, oldest first. Run by `Database` at start, after a backup."""
