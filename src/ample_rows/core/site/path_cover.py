"""What covers a path: its ground, and what lies on it."""

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.site.footprints import path_strip

_LITRES_PER_M2_CM = 10.0


def path_litres(path: p.Path, book: Book) -> float:
    """What lies on a path that is covered, as deep as it is, or is usually, laid. [L]"""
    usual = book.materials[path.covering].laid_cm if path.covering else None
    return path_area_m2(path) * (path.covering_cm or usual or 0.0) * _LITRES_PER_M2_CM


def path_area_m2(path: p.Path) -> float:
    """Ground under a path, from end to end. [m2]"""
    return float(path_strip(path).area)
