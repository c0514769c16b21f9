"""The pantry: what the garden gives week by week against what the household wants."""
