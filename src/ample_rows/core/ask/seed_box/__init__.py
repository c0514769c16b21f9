"""The seed box: what the plan needs of seed, sets and plants against what is there."""
