"""A fair comparison: what can be said of two sides from so many plants and seasons."""

import math
from datetime import date

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from ample_rows.core.record.entries import Entry, GardenRecord, SeasonPlan
from ample_rows.core.record.figures import worked_out
from ample_rows.core.record.parts import Trial
from ample_rows.core.record.twins import (
    arranged,
    difference_sd,
    log_sd,
    twin_result,
    years_by_plants,
    years_for_a_fifth,
)
from ample_rows.core.words.message import said
from tests.conftest import block, document, planting

ONE = planting("carrot", block("A1", "B2"), id="one")
OTHER = planting("carrot", block("C1", "D4"), id="other")
TRIAL = Trial(
    id="t",
    day=date(2027, 4, 1),
    differs="cover",
    one_name="bare",
    other_name="under mesh",
    one=("one",),
    other=("other",),
)


@pytest.fixture
def told(read, book):
    """What the trial says after some seasons of (one, other) kilograms."""
    plan = read(document(ONE, OTHER))

    def tell(*seasons, plants=40, left_out=False, running=False, later=None):
        entries, plans = [], []
        for at, pair in enumerate(seasons):
            season = str(2027 + at)
            grown = later if later and at else plan
            plans.append(SeasonPlan(id=season, plan=grown))
            for side, kg in zip([q.id for q in grown.plantings[:2]], pair, strict=True):
                over = {"season": season, "planting": side, "day": date(2027 + at, 9, 1)}
                if not running:
                    entries.append(Entry(id=f"{season}-{side}-over", kind="cleared", **over))
                entries.append(
                    Entry(
                        id=f"{season}-{side}",
                        day=date(2027 + at, 8, 1),
                        kind="picked",
                        season=season,
                        planting=side,
                        kg=kg,
                        left_out=left_out,
                    )
                )
        record = GardenRecord(
            format="ample-rows/record",
            version=1,
            garden="G",
            seasons=tuple(plans),
            entries=tuple(entries),
        )
        stand = {"one": plants, "other": plants}
        figures = worked_out(book)
        return twin_result(TRIAL, record, plan, plants=stand, book=book, figures=figures)

    return tell


def test_sides_are_compared_by_their_ground(told):
    result = told((1.0, 2.0))
    (season,) = result.seasons
    assert season.one_kg_m2 == pytest.approx(1.0 / 0.36)
    assert season.other_kg_m2 == pytest.approx(2.0 / 0.72)
    assert result.times == pytest.approx(1.0)
    assert "could well be chance" in said(result.words)


def test_a_large_difference_is_hardly_chance(told):
    more = told((1.0, 6.0))
    assert more.low > 1
    assert said(more.words) == "under mesh gave 200 % more, which is hardly chance."
    assert "67 % less" in said(told((1.5, 1.0)).words)


def test_more_seasons_narrow_the_interval(told):
    once, thrice = told((1.0, 2.6)), told((1.0, 2.6), (1.0, 2.6), (1.0, 2.6))
    assert thrice.low > once.low
    assert thrice.times == pytest.approx(once.times)
    assert math.log(once.high / once.low) == pytest.approx(
        math.sqrt(3) * math.log(thrice.high / thrice.low)
    )


def test_seasons_that_contradict_each_other_are_not_hardly_chance(told):
    """A third of it, half as much again and twice as much: no word on which is better."""
    result = told((1.0, 3.0), (1.0, 4.0), (4.0, 1.5))
    assert result.low < 1 < result.high
    assert "could well be chance" in said(result.words)
    assert result.years > told((1.0, 3.0)).years


def test_a_comparison_goes_on_with_what_is_begun_again_and_not_with_what_has_its_name(told, read):
    again = [{**ONE, "id": "one-2028"}, {**OTHER, "id": "other-2028"}]
    wrong = [{**ONE, "crop": "beetroot"}, {**OTHER, "crop": "beetroot"}]
    pairs = ((1.0, 2.0), (1.0, 3.0))
    for later, seasons in ((again, ["2027", "2028"]), (wrong, ["2027"])):
        result = told(*pairs, later=read(document(*later)))
        assert [season.season for season in result.seasons] == seasons


def test_a_season_counts_once_both_sides_are_over(told):
    assert told((1.0, 2.0), running=True).seasons == ()


def test_nothing_is_said_before_both_were_picked(told):
    for nothing in (told(), told((1.0, 0.0)), told((1.0, 2.0), left_out=True)):
        assert nothing.times is None
        assert "before both sides were picked" in said(nothing.words)


def test_a_fifth_is_told_from_chance_four_times_in_five(book):
    """Drawn as the model says: so many seasons find a fifth in about 80 trials of 100."""
    sd = difference_sd(book.crops["carrot"], (20, 20), apart=False, book=book)
    years = years_for_a_fifth(sd)
    draws = np.random.default_rng(3).normal(math.log(1.2), sd, size=(4000, years)).mean(axis=1)
    found = (draws - 1.2816 * sd / math.sqrt(years) > 0).mean()
    assert 0.8 <= found <= 0.9
    fewer = np.random.default_rng(4).normal(math.log(1.2), sd, size=(4000, years // 2)).mean(axis=1)
    assert (fewer - 1.2816 * sd / math.sqrt(years // 2) > 0).mean() < 0.8


def test_more_plants_take_fewer_seasons_and_two_places_more(book):
    carrot = book.crops["carrot"]
    years = [years for _, years in years_by_plants(carrot, apart=False, book=book)]
    assert years == sorted(years, reverse=True)
    apart = [years for _, years in years_by_plants(carrot, apart=True, book=book)]
    assert all(a >= b for a, b in zip(apart, years, strict=True))
    assert log_sd(None) > 0


@given(
    st.integers(1, 8),
    st.integers(1, 12),
    st.sampled_from(["alternate", "random", "mirrored"]),
    st.integers(0, 99),
)
def test_every_square_is_given_to_one_side_and_both_get_alike(columns, rows, how, seed):
    cells = [f"{'ABCDEFGH'[c]}{r + 1}" for c in range(columns) for r in range(rows)]
    one, other = arranged(cells, how, seed)
    assert sorted(one + other) == sorted(cells)
    assert len(one) - len(other) in (-1, 0, 1)
    assert arranged(cells, how, seed) == (one, other)


def test_alternate_squares_take_turns_and_mirrored_ones_turn_back():
    one, other = arranged(block("A1", "B4"), "alternate", 1)
    assert (one, other) == (("A1", "A3", "B4", "B2"), ("A2", "A4", "B3", "B1"))
    assert arranged(("A1", "A2", "A3", "A4"), "mirrored", 1) == (("A1", "A4"), ("A2", "A3"))


def test_a_planting_cannot_be_on_both_sides():
    with pytest.raises(ValueError, match="both sides"):
        TRIAL.model_validate({**TRIAL.model_dump(), "other": ("one",)})
