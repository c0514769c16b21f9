"""Plants that came by themselves, adopted as a planting: they grow, and nothing begins them."""

from datetime import date

import pytest

from ample_rows.core.ask.jobs.year import jobs_of
from ample_rows.core.ask.next_year.draft import next_year
from ample_rows.core.ask.seed_box.needs import needs_of
from ample_rows.core.estimate.estimate import Estimate
from tests.conftest import block, document, planting

WILD = {"came_by_itself": True}


def adopted(crop, start, day, **keys):
    return planting(crop, block("A1", "B2"), id="wild", start=start, start_date=day, **keys)


@pytest.fixture
def garden(read, book):
    return lambda wild: Estimate(read(document(wild)), book)


@pytest.mark.parametrize(
    ("crop", "start", "day"),
    [
        ("tomato", "transplant", "2027-05-25"),
        ("lettuce", "sow", "2027-04-20"),
        ("potato", "set", "2027-05-01"),
    ],
)
def test_nothing_is_sown_bought_or_raised_and_the_rest_is_as_ever(garden, crop, start, day):
    wild, sown = garden(adopted(crop, start, day, **WILD)), garden(adopted(crop, start, day))
    [its], [usual] = wild.report.plantings, sown.report.plantings
    assert (its.seeds_to_sow, its.sets_to_plant, its.sow_indoors) == (0, 0, None)
    assert its.sowing_depth_cm is None
    assert its.first_pick == usual.first_pick
    assert its.stand_expected >= usual.stand_expected
    assert needs_of(wild.plan, wild.report.plantings, date(2027, 2, 1), wild.book) == []
    begins = {"sow-inside", "pot-on", "harden-off", "seedbed", "sow", "set-out", "set"}
    assert begins & {job.job for job in jobs_of(sown)}
    left = {job.job for job in jobs_of(wild)}
    assert not begins & left
    assert {"pick", "clear"} <= left


def test_before_its_window_it_is_no_fault_and_next_year_it_is_not_begun(garden):
    early, sown = (adopted("lettuce", "sow", "2027-02-10", **keys) for keys in (WILD, {}))
    assert "before-window" in {note.code for note in garden(sown).report.notes}
    early = garden(early)
    assert "before-window" not in {note.code for note in early.report.notes}
    assert next_year(early, "same").plan.plantings == ()
