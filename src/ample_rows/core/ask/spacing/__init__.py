"""Questions on spacing: how close, by which pattern, sown or set, and marked out."""
