"""Ways of growing one crop side by side: on the ground, and on each support it takes to."""

from dataclasses import dataclass

from ample_rows.core import plan as p
from ample_rows.core.book import (
    Book,
    Crop,
    CropTraining,
    TrainingSystem,
)
from ample_rows.core.carpentry.lines import bill_lines
from ample_rows.core.carpentry.materials import (
    Carried,
    alone_amounts,
    amounts,
    stood,
)

_CM2_PER_M2 = 1e4
_CM_PER_M = 100.0
"""Length over which a support is costed: a usual bed, with its posts at both ends."""


@dataclass(frozen=True, slots=True)
class WayUp:
    """One way of growing a crop, by the ground that it takes.

    `kg_per_m2` is null where the crop is not weighed, `cost_a_year` while a price is missing;
    minutes are a week's, for one plant, hours a season's, for one square metre.
    [1/m2, kg/m2, weeks, min, h/m2, cm]
    """

    system: str
    label: str
    needs_support: bool
    plants_per_m2: float
    kg_per_m2: float | None
    picking_weeks: float
    minutes_per_plant: float
    hours_per_m2: float
    cost_a_year: float | None
    height_cm: float
    at_the_top: str
    air: str
    shades: str


def ways_up(crop: Crop, build: p.Build | None, book: Book) -> tuple[WayUp, ...]:
    """Every way that a crop's record knows, those that give most of their ground first."""
    ways = [
        _way(crop, training, book.trainings[training.system], build, book)
        for training in crop.trainings
    ]
    return tuple(sorted(ways, key=lambda way: -(way.kg_per_m2 or 0.0)))


def _way(
    crop: Crop, training: CropTraining, system: TrainingSystem, build: p.Build | None, book: Book
) -> WayUp:
    in_row = training.in_row_cm or crop.in_row_cm
    if system.needs_support:
        # Along a line a plant has its share of the strip below it.
        ground_cm2 = in_row * system.footprint_cm
    else:
        in_row = crop.spacing_cm
        ground_cm2 = crop.spacing_cm**2
    plants = _CM2_PER_M2 / ground_cm2
    yields = crop.yield_kg_per_plant
    picking_weeks = crop.picking.days * training.picking_scale / 7
    minutes = system.minutes_per_m_week * in_row / _CM_PER_M
    weeks = (crop.days_to_pick(crop.starts[0]) or 0.0) / 7 + picking_weeks
    return WayUp(
        system=training.system,
        label=system.label,
        needs_support=system.needs_support,
        plants_per_m2=plants,
        kg_per_m2=None if yields is None else plants * yields.typical * training.harvest_factor,
        picking_weeks=picking_weeks,
        minutes_per_plant=minutes,
        hours_per_m2=minutes * plants * weeks / 60,
        cost_a_year=_cost_a_year(crop, system, in_row, build, book),
        height_cm=min(crop.height_cm, system.height_cm or crop.height_cm),
        at_the_top=system.at_the_top,
        air=system.air,
        shades=system.shades,
    )


def _cost_a_year(
    crop: Crop, system: TrainingSystem, in_row_cm: float, build: p.Build | None, book: Book
) -> float | None:
    """What a square metre of its ground costs in a year of use, each part over its life."""
    if system.needs_support:
        plants = int(book.value("usual_run_cm") / in_row_cm)
        taken = _on_a_usual_bed(crop, system, plants, book)
        ground_m2 = book.value("usual_run_cm") * system.footprint_cm / _CM2_PER_M2
    else:
        plants = 10
        taken = alone_amounts(plants, in_row_cm, system)
        ground_m2 = plants * in_row_cm**2 / _CM2_PER_M2
    lines, missing = bill_lines(taken, build, book)
    if missing:
        return None
    return sum(line.a_year or 0.0 for line in lines) / ground_m2


def _on_a_usual_bed(
    crop: Crop, system: TrainingSystem, plants: int, book: Book
) -> dict[str, float]:
    name = next(ident for ident, there in book.trainings.items() if there is system)
    support = p.Support(id="support", system=name)
    place = p.Place(
        id="bed",
        kind="ground",
        shape=p.Rectangle(type="rectangle", width_cm=90.0, length_cm=book.value("usual_run_cm")),
        wall_height_cm=0.0,
        heading_deg=90.0,
        supports=(support,),
    )
    up = stood(place, support, book, latitude=50.0, north_deg=0.0)
    assert up is not None, "a rectangle has straight sides"
    spread = crop.yield_kg_per_plant
    pieces = plants * spread.typical / crop.piece_kg if spread and crop.piece_kg else 0.0
    return amounts(up, [Carried(crop, plants, book.value("usual_run_cm"), pieces)], book)
