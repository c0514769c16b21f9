"""Ways of growing one crop side by side: on the ground, and on each support it takes to."""

from dataclasses import dataclass

from ample_rows.core.reference import Book, Crop, CropTraining, TrainingSystem

_CM2_PER_M2 = 1e4
_CM_PER_M = 100.0


@dataclass(frozen=True, slots=True)
class WayUp:
    """One way of growing a crop, by the ground that it takes. [1/m2, kg/m2, min, cm]

    `kg_per_m2` is null where the crop is not weighed; minutes are a week's, for one plant.
    """

    system: str
    label: str
    needs_support: bool
    plants_per_m2: float
    kg_per_m2: float | None
    minutes_per_plant: float
    height_cm: float
    at_the_top: str
    air: str
    shades: str


def ways_up(crop: Crop, book: Book) -> tuple[WayUp, ...]:
    """Every way that a crop's record knows, those that give most of their ground first."""
    found = [_way(crop, training, book.trainings[training.system]) for training in crop.trainings]
    return tuple(sorted(found, key=lambda way: -(way.kg_per_m2 or 0.0)))


def _way(crop: Crop, training: CropTraining, system: TrainingSystem) -> WayUp:
    in_row = training.in_row_cm or crop.in_row_cm
    if system.needs_support:
        # Along a line a plant has its share of the strip below it.
        ground_cm2 = in_row * system.footprint_cm
    else:
        in_row = crop.spacing_cm
        ground_cm2 = crop.spacing_cm**2
    plants = _CM2_PER_M2 / ground_cm2
    yields = crop.yield_kg_per_plant
    return WayUp(
        system=training.system,
        label=system.label,
        needs_support=system.needs_support,
        plants_per_m2=plants,
        kg_per_m2=None if yields is None else plants * yields.typical * training.harvest_factor,
        minutes_per_plant=system.minutes_per_m_week * in_row / _CM_PER_M,
        height_cm=min(crop.height_cm, system.height_cm or crop.height_cm),
        at_the_top=system.at_the_top,
        air=system.air,
        shades=system.shades,
    )
