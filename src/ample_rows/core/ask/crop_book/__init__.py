"""The crop book: the page of a crop, and crops in and out as files."""
