"""What the garden really did: entries by day, held against what the plan had estimated."""
