"""Weather: plausible days for a garden's normals, a forecast's interface, warmth of the soil."""
