"""Next year: a season that is closed, what lasts beyond it, and a draft of the year after."""
