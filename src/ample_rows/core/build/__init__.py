"""Building: frames and their cut list, bottoms, what lasts how long, hours and cost."""
