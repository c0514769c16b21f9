"""What covers the paths: how much of each material, what it costs, and when it is laid anew."""

from collections import defaultdict

import shapely

from ample_rows.core import plan as p
from ample_rows.core.book import Book

_LITRES_PER_M2_CM = 10.0


def path_amounts(site: p.Site | None, book: Book) -> dict[str, float]:
    """Litres of what is loose, square metres of all else, for every path that is covered."""
    total: dict[str, float] = defaultdict(float)
    for path in site.paths if site else ():
        if path.covering is None:
            continue
        covering = book.materials[path.covering]
        deep = path.covering_cm or covering.laid_cm or 0.0
        times = deep * _LITRES_PER_M2_CM if covering.unit == "L" else 1.0
        total[path.covering] += path_area_m2(path) * times
    return total


def path_area_m2(path: p.Path) -> float:
    """Ground under a path, from end to end. [m2]"""
    line = shapely.LineString(path.line_m)
    return float(line.buffer(path.width_cm / 200, cap_style="flat").area)
