"""Soil: fill, mixes, order, weight, feed, and the depth that roots need."""
