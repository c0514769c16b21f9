"""Questions on supports: how one is built, and where it is best put."""
