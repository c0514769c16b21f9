"""The rules of the work as pure computation on typed, immutable values.

Nothing here reads a file, opens a socket or knows of the interface; reference
data (crops, policies, coefficients) is handed in as a `reference.Book`.
Units: cm, m2, L, kg, days, degrees Celsius, hours, azimuth in degrees clockwise from north.
"""
