"""Growing zones by the coldest night of a usual winter.

Zones of ten degrees Fahrenheit from −60 °F up, each halved into a and b, after the mean of each
winter's lowest temperature (Cathey 1990; Daly et al. 2012, J. Appl. Meteorol. Climatol. 51).
"""

import re

_COLDEST_F = -60.0
_ZONE_F = 10.0
_ZONE = re.compile(r"(?:zone)?\s*(\d{1,2})\s*([ab]?)", re.IGNORECASE)
_ZONES = range(1, 14)


def winter_low_of_zone_c(zone: str) -> float | None:
    """The middle of a zone: the coldest night of a usual winter; None for what is no zone of
    these. [deg C]

    >>> winter_low_of_zone_c("7b")
    -13.6
    """
    read = _ZONE.fullmatch(zone.strip())
    if read is None or int(read[1]) not in _ZONES:
        return None
    middle = {"a": 0.25, "b": 0.75}.get(read[2].lower(), 0.5)
    fahrenheit = _COLDEST_F + _ZONE_F * (int(read[1]) - 1 + middle)
    return round((fahrenheit - 32) / 1.8, 1)
