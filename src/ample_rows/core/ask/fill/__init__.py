"""Filling a garden: what a plan is worth to those who eat of it."""
