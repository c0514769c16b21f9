"""Devices that stand beside the garden: a kitchen scale, a soil thermometer. Stand-ins ship."""
