"""The calendar: frosts, windows, dates of a planting, the soil through the year."""
