"""A planting: how many plants stand where, how they grow, and what they give."""
