"""What stands tall in a garden through the year: leafy crops as they grow, and bare supports."""

from dataclasses import dataclass
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.calendar.dates import Dates, dates_of
from ample_rows.core.geometry import shapes
from ample_rows.core.geometry.cells import cells_of, grid_of
from ample_rows.core.planting.cases import ON_GROUND, Setting, training_of
from ample_rows.core.planting.growth import size_shares
from ample_rows.core.planting.set_out import crop_grown
from ample_rows.core.site.frame import on_the_ground
from ample_rows.core.site.place_sun import Sky
from ample_rows.core.site.stays import spot_of
from ample_rows.core.site.sun_path import sample_days
from ample_rows.core.structures import supports

Heights = tuple[float, ...]
_YEAR = 365


@dataclass(frozen=True, slots=True)
class Tall:
    """A leafy or meshed box that stands on some sample days: its corners in the yard, the
    level of its foot over the yard's, and its height on each day, 0 when it is not there. [m]"""

    id: str
    name: str
    corners_m: tuple[p.PointM, p.PointM, p.PointM, p.PointM]
    foot_m: float
    heights_m: Heights
    passes: float


def tall_in(
    place: p.Place, plantings: tuple[p.Planting, ...], setting: Setting, sky: Sky, book: Book
) -> tuple[Tall, ...]:
    """Everything in a place that stands tall enough to shade what is beside it."""
    if spot_of(place, None) is None:
        return ()
    return (
        *_bare(place, setting, sky, book),
        *(
            tall
            for planting in plantings
            if (tall := _leafy(place, planting, setting, sky, book)) is not None
        ),
    )


def heights_by_day(
    planting: p.Planting, place: p.Place, setting: Setting, sky: Sky, book: Book
) -> Heights:
    """A planting's height on each sample day, 0 when it does not stand. [m]"""
    crop = crop_grown(planting, book)
    dates = dates_of(
        planting,
        crop,
        setting.year,
        book,
        picking=crop.picking_scale(training_of(planting, support_of(planting, place), crop, book)),
    )
    ages = _ages(dates, sky.year)
    there = ages >= 0
    shares = size_shares(planting, crop, dates, np.maximum(ages, 0.0), book)
    full = supports.full_height_cm(crop, support_of(planting, place), book) / 100
    return tuple(np.where(there, full * shares, 0.0).round(3).tolist())


def support_of(planting: p.Planting, place: p.Place) -> p.Support | None:
    return next((s for s in place.supports if s.id == planting.support), None)


def _ages(dates: Dates, year: int) -> NDArray[np.float64]:
    """Age on each sample day, whose day of the year may fall in any year it stands; -1 before
    or after. [days]"""
    ages = []
    for day in sample_days(year):
        since = (day - dates.start).days % _YEAR
        ages.append(float(since) if since < (dates.clear - dates.start).days else -1.0)
    return np.array(ages)


@lru_cache(maxsize=256)
def _bare(place: p.Place, setting: Setting, sky: Sky, book: Book) -> tuple[Tall, ...]:
    """Nets and mesh that stand all year, before leaves cover them."""
    tall = []
    for support in place.supports:
        system = book.trainings[support.system]
        run = _whole(place, support, setting, book)
        if run is None or system.build.passes_bare >= 1:
            continue
        height = supports.height_cm(support, system) / 100
        ring = _strip(place, run, book.value("bare_support_deep_cm"))
        ident = f"{place.id}/{support.id}"
        heights = (height,) * len(sample_days(sky.year))
        foot = _foot_m(place, ring, sky)
        tall.append(Tall(ident, system.label, ring, foot, heights, system.build.passes_bare))
    return tuple(tall)


def _whole(place: p.Place, support: p.Support, setting: Setting, book: Book) -> supports.Run | None:
    edge = supports.edge_of(place, support, latitude=setting.latitude, north_deg=setting.north_deg)
    system = book.trainings[support.system]
    return None if edge is None else supports.whole_run(place, edge, system, support)


@lru_cache(maxsize=1024)
def _leafy(
    place: p.Place, planting: p.Planting, setting: Setting, sky: Sky, book: Book
) -> Tall | None:
    crop = crop_grown(planting, book)
    support = support_of(planting, place)
    if supports.full_height_cm(crop, support, book) < book.value("casts_from_cm"):
        return None
    if support is None:
        ring = _over_cells(place, planting)
    else:
        run = supports.run_of(
            place,
            support,
            planting,
            book.trainings[support.system],
            latitude=setting.latitude,
            north_deg=setting.north_deg,
        )
        if run is None or run.length_cm <= 0:
            return None
        ring = _strip(place, run, min(run.footprint_cm, crop.canopy_cm))
    system = book.trainings[training_of(planting, support, crop, book) or ON_GROUND]
    return Tall(
        id=planting.id,
        name=crop.name,
        corners_m=ring,
        foot_m=_foot_m(place, ring, sky),
        heights_m=heights_by_day(planting, place, setting, sky, book),
        passes=system.build.passes_leafed,
    )


Ring = tuple[p.PointM, p.PointM, p.PointM, p.PointM]


def _strip(place: p.Place, run: supports.Run, depth_cm: float) -> Ring:
    return _in_yard(
        place,
        [
            run.at(run.from_cm, 0),
            run.at(run.to_cm, 0),
            run.at(run.to_cm, depth_cm),
            run.at(run.from_cm, depth_cm),
        ],
    )


def _over_cells(place: p.Place, planting: p.Planting) -> Ring:
    grid = grid_of(place)
    boxes = [grid.box(grid.cells[a].spot) for a in cells_of(place, planting.cells)]
    if not boxes:
        boxes = [shapes.bounds(place.shape)]
    x0, y0 = min(b.x0 for b in boxes), min(b.y0 for b in boxes)
    x1, y1 = max(b.x1 for b in boxes), max(b.y1 for b in boxes)
    return _in_yard(place, [(x0, y0), (x1, y0), (x1, y1), (x0, y1)])


def _in_yard(place: p.Place, corners_cm: list[tuple[float, float]]) -> Ring:
    spot = spot_of(place, None)
    assert spot is not None, "asked only of places that lie in the yard"
    points = on_the_ground(place.shape, spot.at_m, spot.heading_deg, np.array(corners_cm)).round(4)
    a, b, c, d = ((float(x), float(y)) for x, y in points)
    return (a, b, c, d)


def _foot_m(place: p.Place, ring: Ring, sky: Sky) -> float:
    x, y = np.mean(ring, axis=0)
    return round(sky.yard.level_m(float(x), float(y)) + shapes.fill_cm(place) / 100, 4)


KEPT = (_bare, _leafy)
"""What is remembered of tall things; cleared where times are measured from nothing."""
