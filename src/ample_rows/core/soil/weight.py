"""What a place weighs when it is soaked."""

from dataclasses import dataclass

from ample_rows.core import places
from ample_rows.core import plan as p
from ample_rows.core.reference import Book
from ample_rows.core.soil.fill import Fill, base_cm

_GRAVITY = 9.81


@dataclass(frozen=True, slots=True)
class Weight:
    """Saturated soil, container and standing plants, on the ground that they cover."""

    kg: float
    kg_per_m2: float
    kpa: float


def weight_of(place: p.Place, fill: Fill, book: Book) -> Weight:
    """Saturated weight of a place. [kg, kg/m2, kPa]"""
    base = fill.fill_litres - fill.mix_litres if base_cm(place) else 0.0
    wet = fill.mix_litres * fill.kind.saturated_kg_per_litre
    wet += base * book.value("base_saturated_kg_per_litre")
    plants = places.inside_area_m2(place.shape) * book.value("plants_kg_per_m2")
    total = wet + plants + (place.empty_kg or 0.0)
    covered = places.foot_area_m2(place)
    return Weight(total, total / covered, total / covered * _GRAVITY / 1000)
