"""The book with a garden's own soil materials."""

from dataclasses import replace
from functools import lru_cache

from ample_rows.core import plan as p
from ample_rows.core.book.book import Book
from ample_rows.core.book.record import OWN_FIGURE
from ample_rows.core.book.soil import SoftMatter, SoilIngredient

_USUAL_HALVING_DAYS = 120.0
_USUAL_FIT_DAYS = 180.0
# Moist and loose a material weighs about half of what it does soaked and settled.
_LOOSE_SHARE = 0.5


@lru_cache(maxsize=64)
def with_materials(book: Book, own: tuple[p.OwnMaterial, ...]) -> Book:
    """The book with these beside its ingredients; what can be laid is soft matter as well."""
    if not own:
        return book
    ingredients = {entry.id: _ingredient(entry) for entry in own}
    soft = {entry.id: _soft(entry, entry.stays) for entry in own if entry.stays is not None}
    return replace(
        book,
        ingredients={**ingredients, **book.ingredients},
        soft={**soft, **book.soft},
    )


def _ingredient(entry: p.OwnMaterial) -> SoilIngredient:
    return SoilIngredient(
        settling=entry.settling,
        saturated_kg_per_litre=entry.saturated_kg_per_litre,
        loose_kg_per_litre=entry.saturated_kg_per_litre * _LOOSE_SHARE,
        available_water=entry.available_water,
        n_g_per_litre=entry.n_g_per_litre or 0.0,
        n_takes_g_per_litre=entry.n_takes_g_per_litre or 0.0,
        status="judged",
        source=OWN_FIGURE,
    )


def _soft(entry: p.OwnMaterial, stays: float) -> SoftMatter:
    return SoftMatter(
        label=entry.name or entry.id,
        stays=stays,
        halving_days=_USUAL_HALVING_DAYS,
        fit_days=_USUAL_FIT_DAYS if entry.fit_days is None else entry.fit_days,
        n_g_per_litre=entry.n_g_per_litre or 0.0,
        n_takes_g_per_litre=entry.n_takes_g_per_litre or 0.0,
        status="judged",
        source=OWN_FIGURE,
    )
