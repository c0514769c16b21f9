"""Jobs: what a garden asks for, week by week, each with its place, number and day."""
