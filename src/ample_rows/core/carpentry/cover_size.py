"""Covers sized for their block: hoops across the short side, cloth over all, tucked in."""

import math
from collections.abc import Iterable
from dataclasses import dataclass

from ample_rows.core import plan as p
from ample_rows.core.book import Book, CoverKind
from ample_rows.core.geometry.cells import grid_of
from ample_rows.core.planting.cases import Evaluated
from ample_rows.core.structures.bays import mesh_for

_DUST_CM = 1e-6
_ROUND_UP_CM = 5.0


@dataclass(frozen=True, slots=True)
class CoverSize:
    """A cover over a block so wide and long: hoops across its short side, cloth over all. [cm]"""

    width_cm: float
    length_cm: float
    height_cm: float
    hoops: int
    hoop_cm: float
    cloth_width_cm: float
    cloth_length_cm: float

    @property
    def cloth_m2(self) -> float:
        return self.cloth_width_cm * self.cloth_length_cm / 1e4


def size_over(
    width_cm: float, length_cm: float, crop_cm: float, kind: CoverKind, book: Book
) -> CoverSize:
    """A cover of one kind over a block, as high as its crop asks for."""
    short, long = sorted((width_cm, length_cm))
    tuck = 2 * kind.tucked_cm
    if not kind.hoop_every_cm:
        return CoverSize(short, long, 0.0, 0, 0.0, short + tuck, long + tuck)
    height = max(crop_cm + kind.clearance_cm, short / 2)
    over = mesh_for(short, height)
    hoops = math.ceil(long / kind.hoop_every_cm - _DUST_CM) + 1
    buried = 2 * book.value("hoop_buried_cm")
    return CoverSize(
        width_cm=short,
        length_cm=long,
        height_cm=height,
        hoops=hoops,
        hoop_cm=_up(over + buried),
        cloth_width_cm=_up(over + tuck),
        cloth_length_cm=_up(long + 2 * height + tuck),
    )


def _up(cm: float) -> float:
    return math.ceil(cm / _ROUND_UP_CM - _DUST_CM) * _ROUND_UP_CM


def size_of(
    place: p.Place, cover: p.Cover, grown: tuple[Evaluated, ...], kind: CoverKind, book: Book
) -> CoverSize:
    cells = cells_under(place, cover)
    tallest = max(
        (_tall(e, cover) for e in grown if beneath(e, cover, cells)),
        default=book.value("low_crop_cm"),
    )
    if cover.height_cm is not None:
        tallest = max(0.0, cover.height_cm - kind.clearance_cm)
    width, length = box_cm(place, cells)
    return size_over(width, length, tallest, kind, book)


def _tall(e: Evaluated, cover: p.Cover) -> float:
    """How high a planting stands at most while the cover is on. [cm]"""
    growth = e.report.growth
    weeks = (cover.until - growth.start).days / growth.step_days
    last = min(len(growth.height_cm) - 1, max(0, math.ceil(weeks)))
    return growth.height_cm[last]


def cells_under(place: p.Place, cover: p.Cover) -> tuple[str, ...]:
    return tuple(grid_of(place).cells) if cover.cells == "all" else cover.cells


def beneath(e: Evaluated, cover: p.Cover, cells: tuple[str, ...]) -> bool:
    together = e.dates.start < cover.until and cover.since < e.dates.clear
    return together and not set(e.report.cells).isdisjoint(cells)


def box_cm(place: p.Place, cells: Iterable[str]) -> tuple[float, float]:
    """Width and length of the block that some squares span. [cm]"""
    grid = grid_of(place)
    boxes = [grid.box(grid.cells[a].spot) for a in cells]
    width = max(b.x1 for b in boxes) - min(b.x0 for b in boxes)
    return width, max(b.y1 for b in boxes) - min(b.y0 for b in boxes)


def amounts(size: CoverSize, kind: CoverKind, book: Book) -> dict[str, float]:
    around_m = 2 * (size.width_cm + size.length_cm) / 100
    return {
        kind.material: size.cloth_m2,
        "hoop-pipe": size.hoops * size.hoop_cm / 100,
        "peg": math.ceil(around_m / book.value("peg_every_m")),
    }
