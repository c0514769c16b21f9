"""The estimate: a whole plan evaluated, as one report."""
