"""What a place weighs when it is soaked."""

from dataclasses import dataclass

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.geometry import shapes
from ample_rows.core.soil.fill import Fill, base_cm
from ample_rows.core.words.message import Bulk, Mass, Text, message
from ample_rows.core.words.working import Term, of_rule

_GRAVITY = 9.81


@dataclass(frozen=True, slots=True)
class Weight:
    """Saturated soil, container and standing plants, on the ground that they cover."""

    kg: float
    kg_per_m2: float
    kpa: float


def weight_of(place: p.Place, fill: Fill, book: Book) -> Weight:
    """Saturated weight of a place. [kg, kg/m2, kPa]"""
    total = sum(kg for _, kg, _, _ in _parts(place, fill, book))
    covered = shapes.foot_area_m2(place)
    return Weight(total, total / covered, total / covered * _GRAVITY / 1000)


def _parts(place: p.Place, fill: Fill, book: Book) -> list[tuple[Text, float, Text, Text]]:
    """What weighs, in kilograms, with its reckoning and source."""
    soaked, plants = fill.kind.saturated_kg_per_litre, book.coefficients["plants_kg_per_m2"]
    rotten = book.coefficients["base_saturated_kg_per_litre"]
    base = fill.fill_litres - fill.mix_litres - fill.earth_litres if base_cm(place) else 0.0
    earth = book.coefficients["earth_saturated_kg_per_litre"]
    area = shapes.inside_area_m2(place.shape)
    return [
        (
            message("weight-soaked-mix"),
            fill.mix_litres * soaked,
            message("weight-litre", mix=Bulk(fill.mix_litres), soaked=Mass(soaked)),
            fill.kind.source,
        ),
        (
            message("weight-soaked-earth"),
            fill.earth_litres * earth.value,
            message("weight-litre", mix=Bulk(fill.earth_litres), soaked=Mass(earth.value)),
            earth.source,
        ),
        (
            message("weight-soaked-woody-base"),
            base * rotten.value,
            message("weight-litre-2", base=Bulk(base), value=Mass(rotten.value)),
            rotten.source,
        ),
        (
            message("weight-plants"),
            area * plants.value,
            message("weight-grown", value=Mass(plants.value)),
            plants.source,
        ),
        (
            message("weight-empty-container"),
            place.empty_kg or 0.0,
            message("weight-entered"),
            message("weight-your-own"),
        ),
    ]


@of_rule("weight")
def weight_working(place: p.Place, fill: Fill, book: Book) -> tuple[Term, ...]:
    """The weight as a sum; what weighs nothing here is left out."""
    weight, covered = weight_of(place, fill, book), shapes.foot_area_m2(place)
    parts = [
        Term(name=name, value=kg, unit="kg", how=how, source=source)
        for name, kg, how, source in _parts(place, fill, book)
        if kg > 0
    ]
    return (
        *parts,
        Term(
            name=message("weight-stands"),
            value=covered,
            unit="m²",
            how=message("weight-ground-covers"),
            source="Inside measures, walls",
        ),
        Term(
            name=message("weight-each-square-metre"),
            value=weight.kg_per_m2,
            unit="kg per m²",
            how=message("weight-all-ground"),
            source="Core",
        ),
        Term(
            name=message("weight-pressure"),
            value=weight.kpa,
            unit="kPa",
            how=message("weight-m-s"),
            source="Core",
        ),
        Term(
            name=message("weight-soaked-all"),
            value=weight.kg,
            unit="kg",
            how=message("weight-added-up"),
            source="Core",
        ),
    )
