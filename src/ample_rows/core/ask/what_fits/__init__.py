"""What fits: crops for some squares, whole beds to begin from."""
