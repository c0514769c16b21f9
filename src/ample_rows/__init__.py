"""Ample Rows: how many plants each bed or container holds, and what it will give."""

__version__ = "0.1.0"
PROGRAM = f"Ample Rows {__version__}"
