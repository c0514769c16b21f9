"""Setting a planting out: how close, by which layout, how it is sown and where each plant goes."""
