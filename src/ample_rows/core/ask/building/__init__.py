"""Questions on building: boards, posts, lines and what they cost together."""
