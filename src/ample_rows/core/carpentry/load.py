"""What hangs on a support at its fullest: leaf, rain on it, and the crop of a good year."""

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import date

from ample_rows.core.book import Book
from ample_rows.core.planting.cases import Evaluated
from ample_rows.core.structures.supports import Run
from ample_rows.core.words.message import message
from ample_rows.core.words.working import Term, Terms, of_rule


@dataclass(frozen=True, slots=True)
class Hanging:
    """One planting on its stretch of a support. [cm, kg a metre]"""

    planting: str
    name: str
    from_cm: float
    to_cm: float
    since: date
    until: date
    leaf_kg_m: float
    wet_kg_m: float
    fruit_kg_m: float

    @property
    def kg_m(self) -> float:
        return self.leaf_kg_m + self.wet_kg_m + self.fruit_kg_m


@dataclass(frozen=True, slots=True)
class Load:
    """The most that one metre carries, and when from. [kg a metre]"""

    kg_m: float
    on: date | None
    working: Terms


def hanging(e: Evaluated, run: Run, height_cm: float, book: Book) -> Hanging:
    """A planting's weight on its support at its fullest."""
    metres = max(run.length_cm, 1.0) / 100
    tall = min(height_cm, e.crop.height_cm) / 100
    share = book.picking_shapes[e.crop.picking.kind].hangs_at_once
    return Hanging(
        planting=e.planting.id,
        name=e.crop.name,
        from_cm=run.from_cm,
        to_cm=run.to_cm,
        since=e.dates.first_pick or e.dates.start,
        until=e.dates.clear,
        leaf_kg_m=tall * book.value("face_leaf_kg_m2"),
        wet_kg_m=tall * book.value("face_wet_kg_m2"),
        fruit_kg_m=e.report.harvest_kg.p90 * share / metres,
    )


def peak_load(hung: Iterable[Hanging], book: Book) -> Load:
    """The heaviest metre on the heaviest day: what hangs there together in time and place."""
    hung = tuple(hung)
    loads = [(sum(h.kg_m for h in _beside(one, hung)), one) for one in hung]
    if not loads:
        return Load(0.0, None, ())
    kg, worst = max(loads, key=lambda pair: pair[0])
    together = _beside(worst, hung)
    return Load(kg, max(h.since for h in together), _working(together, kg, book))


def _beside(one: Hanging, hung: tuple[Hanging, ...]) -> list[Hanging]:
    """What hangs on the same stretch on the day when one planting comes to its fullest."""
    return [
        h
        for h in hung
        if (
            h.since <= one.since < h.until and max(h.from_cm, one.from_cm) < min(h.to_cm, one.to_cm)
        )
        or h is one
    ]


@of_rule("support_load")
def _working(together: list[Hanging], kg: float, book: Book) -> Terms:
    leaf, wet = book.coefficients["face_leaf_kg_m2"], book.coefficients["face_wet_kg_m2"]
    terms = []
    for h in together:
        terms += [
            Term(
                name=message("load-leaf-stem", name=h.name),
                value=h.leaf_kg_m,
                unit="kg per m",
                how=message("load-metre-face-leaf"),
                source=leaf.source,
            ),
            Term(
                name=message("load-rain", name=h.name),
                value=h.wet_kg_m,
                unit="kg per m",
                how=message("load-metre-face-film"),
                source=wet.source,
            ),
            Term(
                name=message("load-hanging-crop", name=h.name),
                value=h.fruit_kg_m,
                unit="kg per m",
                how=message("load-high-harvest-share-hangs"),
                source="Picking table",
            ),
        ]
    return (
        *terms,
        Term(
            name=message("load-one-metre"),
            value=kg,
            unit="kg per m",
            how=message("load-added-up"),
            source="Core",
        ),
    )
