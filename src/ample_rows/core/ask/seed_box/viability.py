"""How many of a packet's seeds still live, by their age."""

from statistics import NormalDist

from ample_rows.core.book import Book

_NORMAL = NormalDist()


def alive_share(age_years: float, half_life_years: float, book: Book) -> float:
    """Share of fresh seed that still comes up.

    Deaths in a store are spread normally in time (Ellis and Roberts 1980): on a scale of normal
    scores the living fall evenly, from the score of fresh seed to 0 when half of it is dead.

    Args:
        half_life_years: Years by which half of it is dead, in a cool dry room.
    """
    fresh = book.value("fresh_seed_score")
    score = fresh * (1 - max(0.0, age_years) / half_life_years)
    return _NORMAL.cdf(score) / _NORMAL.cdf(fresh)
