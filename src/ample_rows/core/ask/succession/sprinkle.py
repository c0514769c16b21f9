"""Flowers and herbs sprinkled by number among a crop: where they stand, and what makes room."""

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from ample_rows.core import plan as p
from ample_rows.core.calendar.windows import start_window
from ample_rows.core.edits import ChangePlanting, Edit, Plant, Together
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.plan.idents import free_ident
from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.planting.evaluated import evaluate_planting

MOST_SPRINKLED = 200


@dataclass(frozen=True, slots=True)
class Sprinkled:
    """So many plants of one crop among another's, the host's that make room, and the edit."""

    plants: int
    give_way: int
    kg: float
    host_less_kg: float
    edit: Edit


def sprinkle(estimate: Estimate, planting_id: str, crop_id: str, plants: int) -> Sprinkled:
    """So many plants spread evenly among those of a planting, each in the room of what stood
    there; both then stand at their own spots.

    Raises:
        UnknownPartError: There is no such planting.
        PlanFaultsError: It grows along a support or between another, the crop is not in the
            book, so many would leave nothing of the host, or others stand there already.
    """
    host = _host(estimate, planting_id)
    crop = estimate.book.crops.get(crop_id)
    if crop is None:
        raise PlanFaultsError.one("crop", f'"{crop_id}" is not in the crop book')
    here = estimate.place(host.place)
    standing = evaluate_planting(host, here.alone).report
    start = "transplant" if "transplant" in crop.starts else crop.starts[0]
    window = start_window(estimate.setting.year, crop, start, estimate.book)
    guest = p.Planting(
        id=free_ident(f"{crop_id}-in-{host.id}", {g.id for g in estimate.plan.plantings}),
        place=host.place,
        crop=crop_id,
        cells=host.cells,
        start=start,
        start_date=max(host.start_date, window.earliest),
        plants=plants,
    )
    spots = np.array(evaluate_planting(guest, here.alone).report.positions_cm).reshape(-1, 2)
    own = np.array(standing.positions_cm).reshape(-1, 2)
    clear = estimate.book.value("between_clearance")
    stays = own[_apart_cm(own, spots) >= clear * (crop.spacing_cm + standing.spacing_cm) / 2]
    if not len(spots) or not len(stays):
        words = f"{plants} leave no room for the {standing.name}; sprinkle fewer"
        raise PlanFaultsError.one("plants", words)
    others = _between(estimate, host)
    if (_apart_cm(others, spots) < clear * crop.spacing_cm).any():
        words = f"what is between the {standing.name} already stands there; change its number"
        raise PlanFaultsError.one("plants", words)
    left = host.model_copy(update={"spots_cm": _points(stays), "plants": None})
    among = guest.model_copy(
        update={"spots_cm": _points(spots), "plants": None, "between": host.id}
    )
    kg = evaluate_planting(among, here.alone).report.harvest_kg.p50
    still = evaluate_planting(left, here.alone).report.harvest_kg.p50
    return Sprinkled(
        plants=len(spots),
        give_way=len(own) - len(stays),
        kg=kg,
        host_less_kg=max(0.0, standing.harvest_kg.p50 - still),
        edit=_edit(left, among),
    )


def _host(estimate: Estimate, planting_id: str) -> p.Planting:
    host = estimate.planting(planting_id)
    if host.support is not None or host.between is not None:
        words = "along a support or between another crop nothing is sprinkled"
        raise PlanFaultsError.one("planting", words)
    return host


def _between(estimate: Estimate, host: p.Planting) -> NDArray[np.float64]:
    """Where plants of other crops stand between the host's already. [cm]"""
    guests = {g.id for g in estimate.plantings_in(host.place) if g.between == host.id}
    reports = estimate.result(host.place).plantings
    points = [point for r in reports if r.id in guests for point in r.positions_cm]
    return np.array(points, dtype=np.float64).reshape(-1, 2)


def _apart_cm(own: NDArray[np.float64], spots: NDArray[np.float64]) -> NDArray[np.float64]:
    """From each of some plants to the nearest spot. [cm]"""
    if not len(spots):
        return np.full(len(own), np.inf)
    gaps: NDArray[np.float64] = np.sqrt(((own[:, None] - spots[None]) ** 2).sum(axis=2)).min(axis=1)
    return gaps


def _points(spots: NDArray[np.float64]) -> tuple[p.PointCm, ...]:
    return tuple((round(float(x), 2), round(float(y), 2)) for x, y in spots)


def _edit(left: p.Planting, among: p.Planting) -> Edit:
    changes = {"spots_cm": [list(spot) for spot in left.spots_cm or ()], "plants": None}
    return Together(
        edits=[
            ChangePlanting(id=left.id, changes=changes),
            Plant(planting=p.document(among)),
        ]
    )
