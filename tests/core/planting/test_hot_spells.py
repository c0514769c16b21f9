"""A hot spell in the draws: it takes from what is near its ceiling, and is common to the garden."""

import pytest

from ample_rows.core.words.message import said
from tests.conftest import planting

HOT = {
    "tmin_c": [4, 5, 8, 11, 15, 19, 22, 21, 18, 13, 8, 5],
    "tmax_c": [14, 16, 20, 24, 27, 30, 32, 31, 28, 23, 18, 15],
    "rain_mm": [40] * 12,
}
COOL = {**HOT, "tmin_c": [2, 2, 3, 5, 7, 9, 11, 11, 9, 7, 4, 2], "tmax_c": [7, 8, 10, 12] * 3}
LETTUCE = planting("lettuce", "all", start="transplant", start_date="2027-05-05")
TOMATO = planting("tomato", "all", start="transplant", start_date="2027-05-20")
OKRA = planting("okra", "all", start="transplant", start_date="2027-05-20")


def spread(planted):
    """How wide the range is below the likely harvest."""
    return planted.harvest_kg.p10 / planted.harvest_kg.p50


def told(planted):
    return next(said(term.how) for term in planted.working if "one in some forty" in said(term.how))


@pytest.mark.parametrize("what", [LETTUCE, TOMATO])
def test_where_a_usual_summer_is_near_the_limit_a_hot_one_takes_more(grown, what):
    near, safe = grown(what, climate=HOT), grown(what)
    assert spread(near) < spread(safe)
    assert "a hot summer, one in some forty, leaves" in told(near)


def test_what_loves_heat_is_spared(grown):
    okra = grown(OKRA, climate=HOT)
    assert not any("one in some forty" in said(term.how) for term in okra.working)


def test_the_season_factor_holds_what_hot_summers_take(grown):
    planted = grown(TOMATO, climate=HOT)
    parts = planted.season
    assert planted.factors.season == pytest.approx(parts.picked * parts.warmth * parts.winter)
