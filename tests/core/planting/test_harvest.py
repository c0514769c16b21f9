"""Harvest: the factors, the range and the weeks, against closed forms."""

import math
from datetime import date

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from ample_rows.core.planting import harvest
from ample_rows.core.words.message import said
from ample_rows.crops import load_book
from tests.conftest import bed, block, document, planting

BOOK = load_book()
CARROT = BOOK.crops["carrot"]


@pytest.mark.parametrize(
    ("density", "crowding", "factor"),
    [(100, 0.6, 1.0), (200, 0.6, 1 / 1.6), (50, 0.6, 1 / 0.7), (0, 0.6, 2.5), (300, 0.0, 1.0)],
)
def test_the_reciprocal_law_of_yield_and_density(density, crowding, factor):
    found = harvest.density_factor(stand_density=density, reference_density=100, crowding=crowding)
    assert found == pytest.approx(factor)


@given(st.floats(0.1, 1), st.floats(10, 500), st.floats(1, 3))
def test_more_plants_never_lower_the_weight_of_the_ground(crowding, density, more):
    def total(plants):
        return plants * harvest.density_factor(
            stand_density=plants, reference_density=100, crowding=crowding
        )

    assert total(density) <= total(density * more) * (1 + 1e-9)


@pytest.mark.parametrize(
    ("hours", "factor"),
    [(None, 1.0), (9, 1.0), (7, 1.0), (5.75, 0.7), (4.5, 0.4), (2.25, 0.2), (0, 0)],
)
def test_light_costs_in_straight_lines(hours, factor):
    assert harvest.light_factor(BOOK.crops["tomato"], hours) == pytest.approx(factor)


def test_a_crop_that_needs_no_light_is_not_divided_by_nothing():
    dark = CARROT.model_copy(update={"least_sun_hours": 0.0})
    assert harvest.light_factor(dark, 0.0) == dark.least_sun_factor


@pytest.mark.parametrize(
    ("crop", "start", "stand"),
    [
        # Three carrot seeds a station at 65 %: a gap where all three fail.
        ("carrot", "sow", 64 * (1 - 0.35**3) * 0.9),
        ("leek", "transplant", 16 * 0.93),
        ("garlic", "set", 25 * 0.94),
    ],
)
def test_the_expected_stand_counts_gaps_and_losses(grown, crop, start, stand):
    assert grown(planting(crop, start=start)).stand_expected == pytest.approx(stand)


def test_low_typical_and_high_are_the_books_times_the_factors(grown):
    report = grown(planting("carrot", ("A1",), plants=10))
    spread = CARROT.yield_kg_per_plant
    scale = report.stand_expected * report.factors.product
    assert report.harvest_kg.p50 == pytest.approx(scale * spread.typical, rel=0.01)
    assert report.harvest_kg.p10 == pytest.approx(scale * spread.low, rel=0.02)
    assert report.harvest_kg.p90 == pytest.approx(scale * spread.high, rel=0.02)


def test_the_working_multiplies_out_to_the_figure(grown):
    report = grown(planting("chard", start_date="2027-06-20"))
    terms = {said(term.name): term.value for term in report.working}
    product = math.prod(
        terms[name]
        for name in (
            "plants",
            "expected to live",
            "typical yield",
            "crowding",
            "depth",
            "light",
            "season",
            "training",
            "own record",
        )
    )
    assert product == pytest.approx(terms["likely harvest"], rel=0.01)
    assert all(term.how and term.source for term in report.working)


def test_a_place_is_a_quantile_of_sums(reported):
    report = reported(
        document(
            planting("carrot", block("A1", "A4"), id="a"),
            planting("beetroot", block("B1", "B4"), id="b"),
            planting("onion", block("C1", "C4"), id="c", start="set"),
        )
    )
    place, parts = report.places[0].harvest_kg, [r.harvest_kg for r in report.plantings]
    # Bad luck does not strike all at once: the sum is narrower than the sum of the parts.
    assert place.p10 > sum(q.p10 for q in parts)
    assert place.p90 < sum(q.p90 for q in parts)
    assert place.p50 == pytest.approx(sum(q.p50 for q in parts), rel=0.05)


def test_log_variance_is_shared_by_season_and_crop():
    def logs(crop, place):
        lot = harvest.Lot(seed=3, crop=crop, place=place, plants=10)
        of_book = BOOK.crops[crop]
        return np.log(harvest.harvest_draws(lot=lot, crop=of_book, scale=1.0, had=None, book=BOOK))

    same_crop = np.corrcoef(logs("carrot", "a"), logs("carrot", "b"))[0, 1]
    other_crop = np.corrcoef(logs("carrot", "a"), logs("onion", "b"))[0, 1]
    assert same_crop == pytest.approx(0.6, abs=0.06)
    assert other_crop == pytest.approx(0.3, abs=0.08)


@pytest.mark.parametrize(
    ("plants", "swings"), [(1, 3), (2, 3), (5, 1.5), (10, 1), (20, 0.75), (1_000, 0.505)]
)
def test_fewer_plants_swing_more(plants, swings):
    assert harvest.swing(plants) == pytest.approx(swings)
    lot = harvest.Lot(seed=1, crop="carrot", place="bed", plants=plants)
    draws = harvest.harvest_draws(lot=lot, crop=CARROT, scale=1.0, had=None, book=BOOK)
    spread = CARROT.yield_kg_per_plant
    wider = math.sqrt(1 + 0.2 * (swings - 1))
    low, high = np.quantile(draws, (0.1, 0.9))
    assert math.log(spread.typical / low) == pytest.approx(
        wider * math.log(spread.typical / spread.low), rel=0.01
    )
    assert math.log(high / spread.typical) == pytest.approx(
        wider * math.log(spread.high / spread.typical), rel=0.01
    )


@pytest.mark.parametrize("parts", [2, 4])
def test_splitting_within_a_bed_never_narrows_its_range(reported, parts):
    rows = 8 // parts
    split = [
        planting("carrot", block(f"A{1 + i * rows}", f"D{(i + 1) * rows}"), id=f"p{i}")
        for i in range(parts)
    ]
    whole, apart = (
        reported(document(*plantings)).places[0].harvest_kg
        for plantings in ([planting("carrot", block("A1", "D8"))], split)
    )
    assert apart.p90 / apart.p10 == pytest.approx(whole.p90 / whole.p10, rel=0.03)


def test_an_edit_is_compared_on_the_same_seasons(grown):
    one = grown(planting())
    again = grown(planting(start_date="2027-04-11"))
    other_seed = grown(planting(), seed=2)
    assert one.harvest_kg == again.harvest_kg
    assert one.harvest_kg == other_seed.harvest_kg  # alone, only the spread of the book shows


@pytest.mark.parametrize("crop", ["carrot", "lettuce", "climbing-bean", "chard", "pea"])
def test_weeks_split_the_median_and_start_on_mondays(grown, crop):
    report = grown(planting(crop, start_date="2027-05-10"))
    assert sum(week.kg for week in report.weekly_kg) == pytest.approx(report.harvest_kg.p50)
    assert all(week.week.weekday() == 0 for week in report.weekly_kg)
    assert all(week.kg >= 0 for week in report.weekly_kg)
    assert report.weekly_kg[0].week <= report.first_pick


def test_a_peaked_crop_peaks_in_the_middle(grown):
    weeks = [
        week.kg for week in grown(planting("climbing-bean", start_date="2027-05-15")).weekly_kg
    ]
    assert max(weeks) == max(weeks[2:-2])


def test_a_flower_has_no_weight_and_says_so(grown):
    report = grown(planting("pot-marigold"))
    assert report.harvest_kg.p90 == 0
    assert report.plants > 0
    assert report.pieces is None
    assert any("not grown for its weight" in said(term.how) for term in report.working)


def test_closer_carrots_are_more_and_smaller(grown):
    usual, close = grown(planting()), grown(planting(spacing_cm=5))
    assert close.plants > usual.plants
    assert close.kg_per_plant < usual.kg_per_plant
    assert close.harvest_kg.p50 > usual.harvest_kg.p50


def test_seeds_and_sets(grown):
    carrot, garlic = grown(planting()), grown(planting("garlic", start="set"))
    tomato = grown(planting("tomato", start="transplant", start_date="2027-05-20"))
    assert carrot.seeds_to_sow == 64 * 3
    assert (garlic.seeds_to_sow, garlic.sets_to_plant) == (0, 25)
    assert tomato.sow_indoors == date(2027, 3, 25)
    assert carrot.sow_indoors is None
    assert tomato.buried_stem_cm == 10


def test_nothing_fits_gives_nothing_and_no_trouble(grown):
    report = grown(planting("winter-squash", ("A1",)))
    assert report.plants == 0
    assert report.positions_cm == ()
    assert report.harvest_kg.p90 == 0
    assert report.weekly_kg == ()


def test_a_place_with_every_square_held_gives_nothing_and_no_trouble(grown):
    held = bed(
        shape={"type": "rectangle", "width_cm": 30, "length_cm": 30}, held=[{"cells": ["A1"]}]
    )
    report = grown(planting(cells="all"), places=[held])
    assert (report.plants, report.harvest_kg.p90) == (0, 0)


@pytest.mark.parametrize("policy", ["shallow", "standard", "deep"])
def test_a_deeper_fill_never_lowers_the_harvest(grown, policy):
    harvests = [
        grown(
            planting("lettuce"),
            places=[bed(wall_height_cm=wall, bottom="closed", depth_policy=policy)],
        ).harvest_kg.p50
        for wall in range(8, 60, 4)
    ]
    assert harvests == sorted(harvests)


def test_pieces_of_a_stand_are_its_plants_and_of_a_vine_its_weight(grown):
    carrots = grown(planting("carrot", block("A1", "B2")))
    assert carrots.pieces == pytest.approx(carrots.stand_expected)
    assert carrots.pieces_low == carrots.pieces == carrots.pieces_high
    tomato = {"start": "transplant", "start_date": "2027-05-25"}
    fruits = grown(planting("tomato", block("A1", "D4"), **tomato))
    piece = BOOK.crops["tomato"].piece_kg
    assert fruits.pieces_low == pytest.approx(fruits.harvest_kg.p10 / piece)
    assert fruits.pieces_high == pytest.approx(fruits.harvest_kg.p90 / piece)
