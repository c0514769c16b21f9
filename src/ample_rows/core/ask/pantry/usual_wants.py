"""What people usually eat of some kinds of food in a year, to begin with where nothing is wanted.

A kind of food is its crops, as for a first bed: of each the plants that a household eats from,
times what one gives, times how often it is on the table.
"""

from collections.abc import Mapping

from ample_rows.core import plan as p
from ample_rows.core.book import Book, Crop
from ample_rows.core.book.starters import EATEN_BY
from ample_rows.core.calendar.windows import start_windows
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.plan.reading import PlanFaultsError

MOST_OFTEN = 3
"""A kind of food is on the table never (0), now and then, often, or on most days: so many times
what a bed of it gives in its season. Judged: three times all kinds are some 70 kg a person."""
_STORED = "store"


def usual_wants(estimate: Estimate, people: float, often: Mapping[str, int]) -> tuple[p.Want, ...]:
    """The wants of so many people who eat each kind of food so often, for this garden's year: of
    crops that may stand for each other the first that has a time to be begun in.

    Raises:
        PlanFaultsError: A kind of food that is not known.
    """
    book = estimate.book
    for kind in often.keys() - book.likes.keys():
        known = ", ".join(book.likes)
        raise PlanFaultsError.one(f"often.{kind}", f'"{kind}" is not known; use {known}')
    times: dict[str, int] = {}
    for kind, like in book.likes.items():
        for entry in like.entries:
            crop = next((c for c in entry.crops if _has_a_time(estimate, book.crops[c])), None)
            if crop is not None:
                times[crop] = max(times.get(crop, 0), often.get(kind, 0))
    return tuple(
        _want(book, book.crops[crop], people * so_often)
        for crop, so_often in times.items()
        if so_often and book.crops[crop].yield_kg_per_plant is not None
    )


def _has_a_time(estimate: Estimate, crop: Crop) -> bool:
    year, book = estimate.setting.year, estimate.book
    return any(
        window.open for start in crop.starts for window in start_windows(year, crop.id, start, book)
    )


def _want(book: Book, crop: Crop, portions: float) -> p.Want:
    plants = book.eaten[crop.id].plants / EATEN_BY
    assert crop.yield_kg_per_plant is not None
    kg = float(f"{plants * crop.yield_kg_per_plant.typical * portions:.2g}")
    keep = _STORED if _STORED in book.keeping(crop).ways else None
    return p.Want.model_validate({"crop": crop.id, "kg_per_year": kg, "keep": keep})
