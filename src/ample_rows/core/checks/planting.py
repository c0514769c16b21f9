"""What must agree in one planting, and between plantings."""

from collections.abc import Iterator, Sequence
from datetime import date

import numpy as np
import shapely

from ample_rows.core import plan as p
from ample_rows.core.book import Book, Crop
from ample_rows.core.checks.words import not_a_cell, run_faults, unknown_crop
from ample_rows.core.geometry import shapes
from ample_rows.core.geometry.cells import FIT_TOLERANCE_CM, cells_of, grid_of
from ample_rows.core.plan.links import LINKS
from ample_rows.core.plan.reading import Fault
from ample_rows.core.planting.setting_out import (
    MOST_POSITIONS,
    most_stations,
    schools_of,
    setting_out,
)
from ample_rows.core.structures import supports
from ample_rows.core.words.message import Length, message

LEAST_APART_CM = 1.0


def planting_faults(plan: p.Plan, planting: p.Planting, path: str, book: Book) -> Iterator[Fault]:
    crop = crop_of(planting, book)
    if planting.crop not in book.crops:
        yield Fault(f"{path}.crop", unknown_crop(planting.crop))
    elif crop is None:
        yield Fault(f"{path}.variety", f'"{planting.variety}" is not a variety of {planting.crop}')
    for index, run in enumerate(planting.varieties):
        if crop is not None and variety_of(planting.crop, run.variety, book) is None:
            words = f'"{run.variety}" is not a variety of {planting.crop}'
            yield Fault(f"{path}.varieties[{index}].variety", words)
    if planting.training is not None and planting.training not in book.trainings:
        yield Fault(f"{path}.training", f'"{planting.training}" is not a training system')
    place = plan.place(planting.place)
    if place is None:
        yield Fault(f"{path}.place", f'there is no place "{planting.place}"')
        return
    cells_sound = True
    for fault in _cell_faults(place, planting, path):
        cells_sound = False
        yield fault
    yield from _support_faults(plan, place, planting, path)
    if crop is not None and cells_sound and planting.support is None:
        yield from _number_faults(plan, place, planting, crop, path)
    yield from _spot_faults(place, planting, path) if cells_sound else ()


def _number_faults(
    plan: p.Plan, place: p.Place, planting: p.Planting, crop: Crop, path: str
) -> Iterator[Fault]:
    schools = schools_of(plan.garden.policies, plan.garden.per_square, place)
    out = setting_out(planting, crop, schools)
    if most_stations(_area_cm2(place, planting), out) > MOST_POSITIONS:
        field = "cells" if planting.spacing_cm is None else "spacing_cm"
        yield Fault(
            f"{path}.{'plants' if planting.plants else field}",
            f"would set more than {MOST_POSITIONS} plants; plant wider, or fewer cells",
        )


def _spot_faults(place: p.Place, planting: p.Planting, path: str) -> Iterator[Fault]:
    """Spots in the planting's own squares, apart from each other, as many as it says."""
    spots = planting.spots_cm
    if spots is None:
        return
    if planting.support is not None:
        yield Fault(f"{path}.spots_cm", "a planting along a support has no spots; leave one out")
        return
    if planting.plants is not None and planting.plants != len(spots):
        yield Fault(f"{path}.plants", f"says {planting.plants} where {len(spots)} spots are given")
    ground = grid_of(place).region(cells_of(place, planting.cells))
    inside = shapely.distance(ground, shapely.points(spots)) <= FIT_TOLERANCE_CM
    for index in np.flatnonzero(~inside):
        x, y = spots[index]
        words = message("fault-spot-outside", x=Length(x), y=Length(y))
        yield Fault(f"{path}.spots_cm[{index}]", words)
    for first, second in _too_close(spots):
        words = message("fault-spots-near", least=Length(LEAST_APART_CM), other=first)
        yield Fault(f"{path}.spots_cm[{second}]", words)


def _too_close(spots: Sequence[p.PointCm]) -> list[tuple[int, int]]:
    points = shapely.points(spots)
    pairs = shapely.STRtree(points).query(
        points, predicate="dwithin", distance=LEAST_APART_CM - FIT_TOLERANCE_CM
    )
    return sorted((int(a), int(b)) for a, b in pairs.T if a < b)


def crop_of(planting: p.Planting, book: Book) -> Crop | None:
    """The record a planting grows: its variety when it names one, else its crop."""
    return variety_of(planting.crop, planting.variety or planting.crop, book)


def variety_of(crop: str, variety: str, book: Book) -> Crop | None:
    """The record of a variety type of a crop, or of the crop itself; None where it is neither."""
    kind = book.crops.get(variety)
    return kind if kind is not None and crop in (kind.id, kind.variety_of) else None


def _area_cm2(place: p.Place, planting: p.Planting) -> float:
    if planting.cells == "all":
        return shapes.inside_area_m2(place.shape) * 1e4
    grid = grid_of(place)
    return sum(grid.cells[a].area_cm2 for a in planting.cells)


def _cell_faults(place: p.Place, planting: p.Planting, path: str) -> Iterator[Fault]:
    if planting.cells == "all":
        return
    if not planting.cells and planting.support is None:
        yield Fault(f"{path}.cells", "needs at least one cell, or a support to climb")
    grid = grid_of(place)
    held = {a: h.reason or "held" for h in place.held for a in h.cells}
    seen: set[str] = set()
    for index, address in enumerate(planting.cells):
        where = f"{path}.cells[{index}]"
        if address not in grid.cells:
            yield Fault(where, not_a_cell(address, place, grid))
        elif address in held:
            yield Fault(where, f'"{address}" is held ({held[address]}); free it first')
        elif address in seen:
            yield Fault(where, f'"{address}" stands twice in this planting')
        seen.add(address)


def _support_faults(
    plan: p.Plan, place: p.Place, planting: p.Planting, path: str
) -> Iterator[Fault]:
    if planting.support is None:
        return
    support = next((s for s in place.supports if s.id == planting.support), None)
    if support is None:
        yield Fault(f"{path}.support", f'place "{place.id}" has no support "{planting.support}"')
        return
    edge = supports.edge_of(
        place,
        support,
        latitude=plan.garden.latitude,
        north_deg=(plan.site.north_deg if plan.site else None) or 0.0,
    )
    if edge is not None:
        yield from run_faults(planting.run_cm, edge.length_cm, f"{path}.run_cm")


def is_linked(planting: p.Planting) -> bool:
    """Whether it names another planting, which may have changed though itself did not."""
    return any(getattr(planting, key) is not None for key in LINKS)


def date_faults(plan: p.Plan, planting: p.Planting, path: str, end: date) -> Iterator[Fault]:
    if planting.start_date > end:
        yield Fault(f"{path}.start_date", f"lies after the plan's season, which ends {end}")
    if planting.clear_date is not None and planting.clear_date <= planting.start_date:
        yield Fault(f"{path}.clear_date", f"must come after the start ({planting.start_date})")
    for key in LINKS:
        yield from _link_faults(plan, planting, key, path)
    yield from _between_faults(plan, planting, f"{path}.between")


def _link_faults(plan: p.Plan, planting: p.Planting, key: str, path: str) -> Iterator[Fault]:
    named: str | None = getattr(planting, key)
    if named is None:
        return
    other = next((planting for planting in plan.plantings if planting.id == named), None)
    if other is None:
        yield Fault(f"{path}.{key}", f'there is no planting "{named}"')
    elif other.id == planting.id:
        words = "a planting cannot follow itself" if key == "follows" else "names itself"
        yield Fault(f"{path}.{key}", words)
    elif other.place != planting.place:
        yield Fault(f"{path}.{key}", f'"{other.id}" grows in another place')


def _between_faults(plan: p.Plan, planting: p.Planting, path: str) -> Iterator[Fault]:
    """Plants between others stand by their spacing, in the ground, among plants that do not."""
    if planting.between is None:
        return
    host = next((other for other in plan.plantings if other.id == planting.between), None)
    if planting.support is not None:
        yield Fault(path, "a planting along a support cannot stand between others; leave one out")
    if planting.per_cell is not None:
        yield Fault(path, "plants between others stand by their spacing; leave per_cell out")
    if host is not None and host.between is not None:
        yield Fault(path, f'"{host.id}" itself stands between others; name "{host.between}"')
