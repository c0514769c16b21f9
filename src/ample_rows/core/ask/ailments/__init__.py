"""What ails a plant: from what is seen to its likely causes, and what to do about each."""
