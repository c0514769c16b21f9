"""The mixes of a garden: those that ship, and recipes of the grower's own by their parts."""

from collections.abc import Callable
from functools import lru_cache

from ample_rows.core import plan as p
from ample_rows.core.book import Book, Mix, SoilIngredient


@lru_cache(maxsize=256)
def mixes_of(soil: p.Soil | None, book: Book) -> dict[str, Mix]:
    """All mixes by name. A recipe's figures are those of its parts, by loose volume."""
    own = {
        recipe.id: _mixed(recipe, book)
        for recipe in (soil.recipes if soil else ())
        if all(part.of in book.ingredients for part in recipe.parts)
    }
    return {**book.mixes, **own}


def _mixed(recipe: p.Recipe, book: Book) -> Mix:
    parts = {part.of: part.parts for part in recipe.parts}

    def mean(figure: str) -> float:
        amounts = (n * getattr(book.ingredients[what], figure) for what, n in parts.items())
        return float(sum(amounts) / sum(parts.values()))

    return Mix(
        label=recipe.name or recipe.id,
        parts=parts,
        settling=mean("settling"),
        saturated_kg_per_litre=mean("saturated_kg_per_litre"),
        available_water=mean("available_water"),
        suits="a recipe of your own",
        status="derived",
        source="Your own recipe, by the figures of its parts",
    )


def loose_kg_per_litre(mix: Mix, book: Book) -> float:
    """Weight of a mix as it is fetched, moist and loose. [kg/L]"""
    return _weighed(mix, book, lambda part: part.loose_kg_per_litre)


def n_freed_g_per_litre(mix: Mix, book: Book) -> float:
    """Nitrogen that a litre of a mix frees in its first year. [g/L]"""
    return _weighed(mix, book, lambda part: part.n_g_per_litre)


def n_taken_g_per_litre(mix: Mix, book: Book) -> float:
    """Nitrogen that a litre of a mix ties up in its first year, as wood in it rots. [g/L]"""
    return _weighed(mix, book, lambda part: part.n_takes_g_per_litre)


def _weighed(mix: Mix, book: Book, figure: Callable[[SoilIngredient], float]) -> float:
    total = sum(mix.parts.values())
    return sum(n * figure(book.ingredients[what]) for what, n in mix.parts.items()) / total
