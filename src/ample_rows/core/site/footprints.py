"""Footprints: the outlines in the yard of what stands and lies there. [m]"""

import shapely

from ample_rows.core import plan as p
from ample_rows.core.site.frame import outer_ring_m
from ample_rows.core.site.yard import LEAFY


def path_strip(path: p.Path) -> shapely.Polygon:
    """The ground that a path covers."""
    strip = shapely.LineString(path.line_m).buffer(path.width_cm / 200, cap_style="flat")
    return strip if isinstance(strip, shapely.Polygon) else strip.convex_hull


def place_outline(place: p.Place) -> shapely.Polygon | None:
    """A place with its walls; None where it has no spot in the yard."""
    ring = outer_ring_m(place)
    return None if ring is None else shapely.Polygon(ring)


def solid(obstacle: p.Obstacle) -> bool:
    """Whether nothing can stand below it: a house or a fence, not the crown of a tree."""
    return obstacle.kind not in LEAFY


def solid_outlines(site: p.Site) -> tuple[tuple[str, shapely.Polygon], ...]:
    """Houses, fences and sheds by name."""
    return tuple(
        (o.name or o.kind or "obstacle", shapely.Polygon(o.outline_m))
        for o in site.obstacles
        if solid(o)
    )
