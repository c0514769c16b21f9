"""Weather: normals, the warmth and light they bring, plausible days."""
