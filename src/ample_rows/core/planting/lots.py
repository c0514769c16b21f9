"""The plantings of one place together: all plants of a crop there have one luck, which swings by
how many they are in all, however they are split."""

from collections import Counter
from collections.abc import Iterable
from dataclasses import replace
from functools import lru_cache

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.planting import harvest
from ample_rows.core.planting.cases import Evaluated, PlaceCase
from ample_rows.core.planting.evaluated import evaluate_planting


def evaluate_together(plantings: Iterable[p.Planting], here: PlaceCase) -> tuple[Evaluated, ...]:
    """Plantings of one place, each with the spread of all plants of its crop there."""
    evaluated = [evaluate_planting(planting, here) for planting in plantings]
    plants: Counter[str] = Counter()
    for e in evaluated:
        plants[e.lot.crop] += e.lot.plants
    return tuple(_of_lot(e, plants[e.lot.crop], here.book) for e in evaluated)


@lru_cache(maxsize=768)
def _of_lot(e: Evaluated, plants: int, book: Book) -> Evaluated:
    """A planting as part of so many plants; what is likely of it stays."""
    if plants == e.lot.plants or e.planting.varieties:
        return e
    lot = replace(e.lot, plants=plants)
    scale = harvest.weight_in_plants(
        e.report.stand_expected,
        e.report.factors,
        e.chances.even,
        for_seed=e.planting.for_seed,
    )
    had = e.chances.had
    draws = harvest.harvest_draws(lot=lot, crop=e.crop, scale=scale, had=had, book=book)
    kg = harvest.planting_quantiles(lot, e.crop, scale, had=had, draws=draws, book=book)
    likely = e.report.harvest_kg.p50
    spread = replace(kg, p10=min(kg.p10, likely), p50=likely, p90=max(kg.p90, likely))
    return replace(e, lot=lot, draws=draws, report=replace(e.report, harvest_kg=spread))
