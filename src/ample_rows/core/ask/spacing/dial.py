"""The spacing dial: one planting from tight to generous, everything else as it is.

Close spacing is a choice: more plants, each of them smaller. Total weight rises to a plateau.
"""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, timedelta

import numpy as np

from ample_rows.core import plan as p
from ample_rows.core.book import Book, Crop
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.geometry.lattice import Point
from ample_rows.core.planting.cases import PlaceCase
from ample_rows.core.planting.evaluated import evaluate_planting
from ample_rows.core.planting.report import PlantingReport
from ample_rows.core.planting.set_out import crop_grown
from ample_rows.core.planting.sizes import piece_kg, too_small_kg
from ample_rows.core.words.message import Length, Mass, Message, Share, message, sentences

# What goes before a spacing, as the keys that leave it out.
NO_NUMBER: dict[str, None] = {"per_cell": None, "plants": None, "spots_cm": None}
_MOST_POINTS = 18
_STEPS_CM = (0.25, 0.5, 1.0, 2.0, 5.0, 10.0, 20.0, 50.0)
_SAME_CM = 0.005
_MOST_DRAWN = 1_500
_NOTICED = 0.005


@dataclass(frozen=True, slots=True)
class Closeness:
    """One planting at one spacing. [cm, kg]

    `piece_kg` and `too_small_kg` are null where a plant bears many pieces; `leaves_meet` is null
    where they never do, `closed_weeks` how long they then stand closed. Positions are left out
    where they are too many to draw at once.
    """

    spacing_cm: float
    plants: int
    seeds: int
    kg: float
    kg_per_plant: float
    piece_kg: float | None
    too_small_kg: float | None
    leaves_meet: date | None
    closed_weeks: float
    air: str
    positions_cm: tuple[Point, ...]


@dataclass(frozen=True, slots=True)
class Dial:
    """A planting over the whole range of spacings, the closest first, with what it comes to."""

    planting: str
    reference_cm: float
    own_cm: float
    points: tuple[Closeness, ...]
    words: Message
    source: str


def dial_of(estimate: Estimate, planting_id: str) -> Dial:
    """The dial of one planting; its own spacing is one of the points.

    Raises:
        UnknownPartError: There is no such planting.
    """
    book = estimate.book
    planting = estimate.planting(planting_id)
    here = estimate.place(planting.place)
    crop = crop_grown(planting, book)
    own = evaluate_planting(planting, here).report
    reference = _reference_cm(planting, crop, here, own)
    points = tuple(
        _point(planting, cm, crop, reference, here)
        if abs(cm - own.spacing_cm) > _SAME_CM
        else closeness(own, crop, reference, book)
        for cm in _spacings(reference, own.spacing_cm, book)
    )
    return Dial(
        planting=planting_id,
        reference_cm=reference,
        own_cm=own.spacing_cm,
        points=points,
        words=_words(points, own.spacing_cm),
        source="Reciprocal law of yield and density (Shinozaki and Kira 1956)",
    )


def closeness(report: PlantingReport, crop: Crop, reference_cm: float, book: Book) -> Closeness:
    """What the dial tells of a planting as it has been evaluated.

    Args:
        reference_cm: The spacing that growers usually give it, set out so.
    """
    kg = report.harvest_kg.p50
    meet, weeks = _leaves(report)
    return Closeness(
        spacing_cm=report.spacing_cm,
        plants=report.plants,
        seeds=report.seeds_to_sow or report.sets_to_plant,
        kg=kg,
        kg_per_plant=report.kg_per_plant,
        piece_kg=piece_kg(crop, report.kg_per_plant),
        too_small_kg=too_small_kg(crop, report.kg_per_plant, kg, book),
        leaves_meet=meet,
        closed_weeks=weeks,
        air=_air(report, reference_cm, book),
        positions_cm=report.positions_cm if report.plants <= _MOST_DRAWN else (),
    )


def _point(
    planting: p.Planting, spacing_cm: float, crop: Crop, reference_cm: float, here: PlaceCase
) -> Closeness:
    tried = planting.model_copy(update={"spacing_cm": spacing_cm, **NO_NUMBER})
    return closeness(evaluate_planting(tried, here).report, crop, reference_cm, here.book)


def _reference_cm(planting: p.Planting, crop: Crop, here: PlaceCase, own: PlantingReport) -> float:
    """The spacing that the book's yields are for, along whatever the planting stands on."""
    if planting.support is not None:
        return evaluate_planting(
            planting.model_copy(update={"spacing_cm": None}), here
        ).report.spacing_cm
    return crop.in_row_cm if own.layout == "rows" else crop.spacing_cm


def _spacings(reference: float, own: float, book: Book) -> list[float]:
    """Round spacings over the dial's range, with both ends, the reference and the own one."""
    low, high = reference * book.value("dial_least"), reference * book.value("dial_most")
    step = next((s for s in _STEPS_CM if (high - low) / s <= _MOST_POINTS), _STEPS_CM[-1])
    spacings = [own]
    for cm in (reference, low, high, *np.arange(math.ceil(low / step) * step, high, step)):
        if all(abs(cm - listed) > _SAME_CM for listed in spacings):
            spacings.append(float(cm))
    return sorted(spacings)


def _leaves(report: PlantingReport) -> tuple[date | None, float]:
    """When canopies first reach each other, and for how many weeks they do."""
    growth = report.growth
    closed = [
        i
        for i, (canopy, left) in enumerate(zip(growth.canopy_cm, growth.standing, strict=True))
        if canopy * left**0.5 >= report.spacing_cm
    ]
    if not closed:
        return None, 0.0
    first = growth.start + timedelta(days=closed[0] * growth.step_days)
    return first, len(closed) * growth.step_days / 7


def _air(report: PlantingReport, reference_cm: float, book: Book) -> str:
    """How the leaves stand against the crop's usual spacing; a station's plants share its room."""
    each = len(report.positions_cm) / max(1, len(set(report.positions_cm)))
    ratio = reference_cm / (report.spacing_cm / math.sqrt(max(1.0, each)))
    bands = list(book.airs.values())
    # Any number of plants may be asked for: beyond the last band it is as close as that says.
    return next((band for band in bands if ratio <= band.up_to), bands[-1]).words


def _words(points: Sequence[Closeness], own_cm: float) -> Message:
    """What a fifth closer, and a fifth wider, would change."""
    own = _nearest(points, own_cm)
    closer, wider = _nearest(points, own_cm * 0.8), _nearest(points, own_cm * 1.2)
    parts = []
    if closer.spacing_cm < own.spacing_cm:
        parts.append(message("dial-closer", change=_change(closer, own)))
    if wider.spacing_cm > own.spacing_cm:
        parts.append(message("dial-wider", change=_change(wider, own)))
    return sentences(*parts)


def _nearest(points: Sequence[Closeness], cm: float) -> Closeness:
    return min(points, key=lambda point: abs(point.spacing_cm - cm))


def _change(there: Closeness, own: Closeness) -> Message:
    if there.plants == 0:
        return message("dial-none-fits", spacing=Length(there.spacing_cm))
    plants, kg = there.plants - own.plants, there.kg - own.kg
    if plants > 0:
        count = message("dial-more", plants=plants)
    elif plants < 0:
        count = message("dial-fewer", plants=-plants)
    else:
        count = message("dial-same-plants")
    weight = (
        message("dial-weight", kg=Mass(abs(kg)), change="more" if kg > 0 else "less")
        if abs(kg) > _NOTICED * max(own.kg, there.kg)
        else message("dial-same-weight")
    )
    words = message("dial-at", spacing=Length(there.spacing_cm), count=count, weight=weight)
    if plants and own.kg_per_plant > 0:
        share = round((there.kg_per_plant / own.kg_per_plant - 1) * 100)
        if share:
            change = "heavier" if share > 0 else "lighter"
            words = message("dial-each", words=words, share=Share(abs(share) / 100), change=change)
    return words
