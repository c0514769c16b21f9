"""Plants between those of another crop: they keep off each plant that is there."""

import math
from dataclasses import replace

import shapely
from shapely.geometry.base import BaseGeometry

from ample_rows.core.book import Book
from ample_rows.core.geometry.cells import FIT_TOLERANCE_CM, Grid, address_of, components
from ample_rows.core.geometry.lattice import Point
from ample_rows.core.planting import exact_number, lattices
from ample_rows.core.planting.ground import Ground, Spread
from ample_rows.core.planting.setting_out import SettingOut
from ample_rows.core.words.message import message

_CENTRED = 1
_A_LITTLE_WIDER = 1.07


def spread_between(grid: Grid, ground: Ground, out: SettingOut, book: Book) -> Spread:
    """Plants between those of another crop; of an exact number, the widest that holds it."""
    if out.layout == "single-squares":
        regions = [grid.region([address]) for address in ground.cells]
    else:
        groups = components(grid, ground.cells)
        regions = [grid.region(address_of(s) for s in group) for group in groups]
    if out.plants is not None:
        return _so_many_among(regions, out.plants, ground, out, book)
    positions = [point for region in regions for point in _among(region, ground, out, book)]
    spacing = lattices.spacing_in_force(out, book)
    return Spread(tuple(positions), spacing, lattices.layout_words(out))


def _so_many_among(
    regions: list[BaseGeometry], plants: int, ground: Ground, out: SettingOut, book: Book
) -> Spread:
    usual = (ground.keep_off_spacing_cm + out.spacing_cm) / 2
    shares = exact_number.shared_out(plants, [region.area for region in regions])
    rounds = _rounds(ground, book.value("between_clearance") * usual)
    spreads = [
        exact_number.spread_in_outline(
            region, region, share, near=False, book=book, keep_off=rounds
        )
        for region, share in zip(regions, shares, strict=True)
        if share
    ]
    apart = min(spread.spacing_cm for spread in spreads)
    points = tuple(point for spread in spreads for point in spread.points)
    return Spread(points, apart, message("stand-exact-number"))


def _rounds(ground: Ground, clear_cm: float) -> BaseGeometry:
    """The ground round the plants that are kept off; with straight sides round each circle, so
    that none of it is cut off."""
    radius = clear_cm / math.cos(math.pi / 12)
    return shapely.union_all(shapely.buffer(shapely.points(ground.keep_off), radius, quad_segs=3))


def _among(region: BaseGeometry, ground: Ground, out: SettingOut, book: Book) -> list[Point]:
    """As many as keep off each plant that is there, then as far from them as leaves that many."""
    usual = (ground.keep_off_spacing_cm + out.spacing_cm) / 2
    least, most = book.value("between_clearance"), 1.0

    def fitting(way: SettingOut, share: float) -> list[Point]:
        rounds = _rounds(ground, share * usual)
        return lattices.in_outline(region, way, book, keep_off=rounds)

    ways = [(way, fitting(way, least)) for way in _in_step(ground, out)]
    best, positions = max(ways, key=lambda pair: len(pair[1]))
    for _ in range(_CENTRED if positions else 0):
        share = (least + most) / 2
        farther = fitting(best, share)
        if len(farther) >= len(positions):
            positions, least = farther, share
        else:
            most = share
    return positions


def _in_step(ground: Ground, out: SettingOut) -> list[SettingOut]:
    """The spacing itself; one a little wider, so that closer hardly ever fits fewer; and the least
    wider one whose lattice falls in step with the plants that are there."""
    if out.layout in ("rows", "offset"):
        return [out]
    wider = [_A_LITTLE_WIDER * out.spacing_cm]
    if len(ground.keep_off) > 1:
        spots = shapely.points(ground.keep_off)
        _, apart = shapely.STRtree(spots).query_nearest(
            spots, exclusive=True, all_matches=False, return_distance=True
        )
        pitch = float(apart.min())
        times = math.floor((pitch + FIT_TOLERANCE_CM) / out.spacing_cm)
        if times and pitch / times > out.spacing_cm + FIT_TOLERANCE_CM:
            wider.append(pitch / times)
    return [out, *(replace(out, spacing_cm=cm) for cm in wider)]
