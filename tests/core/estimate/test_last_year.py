"""What stood in the ground before the plan's year: last year's harvest, remembered by its bed."""

from datetime import date

import pytest

from ample_rows.core.ask.pantry.pantry import pantry_of
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.words.message import said
from ample_rows.crops import load_book
from tests.conftest import block, document, planting

BOOK = load_book()
LAST = planting("carrot", block("A1", "B2"), id="last", start_date="2026-04-10")
LEEKS = planting(
    "leek",
    block("C1", "C4"),
    id="leeks",
    start="transplant",
    start_date="2026-06-10",
    clear_date="2027-03-20",
)
NEXT = planting("parsnip", block("A1", "B2"), id="next", start_date="2027-04-10")


@pytest.fixture
def estimated(read):
    return lambda *plantings: Estimate(read(document(*plantings)), BOOK)


def test_last_years_carrots_are_not_in_this_years_figures_and_keep_their_own(estimated):
    whole, alone = estimated(LAST, NEXT).report, estimated(NEXT).report
    assert whole.totals.harvest_kg == alone.totals.harvest_kg
    assert whole.totals.weekly_kg == alone.totals.weekly_kg
    (last, _) = whole.plantings
    assert last.year.before == 1
    assert last.harvest_kg.p50 > 1
    (place,) = whole.places
    assert place.harvest_kg == whole.totals.harvest_kg


def test_they_are_not_at_table_again(estimated):
    assert [c.crop for c in pantry_of(estimated(LAST, NEXT)).crops] == ["parsnip"]
    assert pantry_of(estimated(LAST, NEXT)).harvest_kg == pantry_of(estimated(NEXT)).harvest_kg


def test_of_what_is_picked_over_the_turn_of_the_year_the_later_part_counts(estimated):
    late = estimated({**LEEKS, "start_date": "2026-07-25"})
    (leeks,) = late.report.plantings
    assert leeks.first_pick < late.report.year.start < leeks.last_pick
    assert 0 < leeks.year.before < 1
    total = late.report.totals.harvest_kg.p50
    assert total == pytest.approx(leeks.harvest_kg.p50 * (1 - leeks.year.before))
    supply = pantry_of(late)
    assert sum(week.p50 for week in supply.weeks) <= leeks.harvest_kg.p50
    assert all(week.week >= date(2027, 1, 25) for week in supply.weeks)


def test_the_bed_remembers_the_family_by_itself(estimated):
    notes = {note.code: note for note in estimated(LAST, NEXT).report.notes}
    again = said(notes["family-again"].text)
    assert "the carrot family stood here in 2026 (maincrop carrot)" in again
    assert said(notes["last-year"].text).startswith("Picked before 1 February")
    elsewhere = {**NEXT, "cells": block("C5", "D6")}
    assert "family-again" not in {note.code for note in estimated(LAST, elsewhere).report.notes}


def test_within_one_year_a_family_may_follow_itself(estimated):
    first = {**LAST, "start_date": "2027-03-10"}
    second = planting("carrot", block("A1", "B2"), id="second", start_date="2027-07-10")
    assert "family-again" not in {n.code for n in estimated(first, second).report.notes}


def test_what_is_picked_after_the_year_is_in_the_garden_and_not_at_its_table(estimated):
    garlic = planting("garlic", block("A1", "B2"), start="set", start_date="2027-10-15")
    estimate = estimated(garlic)
    (planted,) = estimate.report.plantings
    assert planted.year.after == 1
    assert estimate.report.totals.harvest_kg.p50 == pytest.approx(planted.harvest_kg.p50)
    (supply,) = pantry_of(estimate).crops
    assert supply.harvest_kg.p50 == 0
    assert said(supply.words) == "picked after this year, so it counts in the next"
