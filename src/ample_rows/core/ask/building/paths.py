"""What covers the paths: how much of each material, what it costs, and when it is laid anew."""

from collections import defaultdict

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.site.path_cover import path_area_m2, path_litres


def path_amounts(site: p.Site | None, book: Book) -> dict[str, float]:
    """Litres of what is loose, square metres of all else, for every path that is covered."""
    total: dict[str, float] = defaultdict(float)
    for path in site.paths if site else ():
        if path.covering is not None:
            loose = book.materials[path.covering].unit == "L"
            total[path.covering] += path_litres(path, book) if loose else path_area_m2(path)
    return total
