"""Questions on depth: another fill, another school."""
