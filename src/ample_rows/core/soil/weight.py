"""What a place weighs when it is soaked."""

from dataclasses import dataclass

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.geometry import shapes
from ample_rows.core.soil.fill import Fill, base_cm
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


def _parts(place: p.Place, fill: Fill, book: Book) -> list[tuple[str, float, str, str]]:
    """What weighs, in kilograms, with its reckoning and source."""
    soaked, plants = fill.kind.saturated_kg_per_litre, book.coefficients["plants_kg_per_m2"]
    rotten = book.coefficients["base_saturated_kg_per_litre"]
    base = fill.fill_litres - fill.mix_litres if base_cm(place) else 0.0
    area = shapes.inside_area_m2(place.shape)
    return [
        (
            "soaked mix",
            fill.mix_litres * soaked,
            f"{fill.mix_litres:.0f} L × {soaked:g} kg a litre",
            fill.kind.source,
        ),
        (
            "soaked woody base",
            base * rotten.value,
            f"{base:.0f} L × {rotten.value:g} kg a litre",
            rotten.source,
        ),
        ("plants", area * plants.value, f"{plants.value:g} kg a m² grown", plants.source),
        ("empty container", place.empty_kg or 0.0, "as entered", "Your own"),
    ]


@of_rule("weight")
def weight_working(place: p.Place, fill: Fill, book: Book) -> tuple[Term, ...]:
    """The weight as a sum; what weighs nothing here is left out."""
    weight, covered = weight_of(place, fill, book), shapes.foot_area_m2(place)
    parts = [
        Term(name, kg, "kg", how, source)
        for name, kg, how, source in _parts(place, fill, book)
        if kg > 0
    ]
    return (
        *parts,
        Term("it stands on", covered, "m²", "the ground that it covers", "Inside measures, walls"),
        Term("on each square metre", weight.kg_per_m2, "kg", "all ÷ that ground", "Core"),
        Term("pressure", weight.kpa, "kPa", "× 9.81 m/s²", "Core"),
        Term("soaked, in all", weight.kg, "kg", "added up", "Core"),
    )
