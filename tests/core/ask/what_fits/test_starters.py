"""Starter beds: data that names what is there; beds come out sound wherever they are put."""

import itertools

import pytest

from ample_rows.core.ask.what_fits.starters import starter_fits
from ample_rows.core.checks import check_plan
from ample_rows.core.edits import apply_edit
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.words.message import said
from tests.conftest import bed, document, planting, rectangle, tub

SOUTHERN = {
    "latitude": -37.0,
    "last_frost": "2027-09-20",
    "first_frost": "2028-05-20",
    "season_start": "2027-07-01",
}
RING = {
    "type": "polygon",
    "outline_cm": [[0, 0], [240, 0], [240, 240], [0, 240]],
    "holes_cm": [[[90, 90], [150, 90], [150, 150], [90, 150]]],
}
PLACES = {
    "bed": (bed(), {}),
    "low": (bed(wall_height_cm=14, native=None, bottom="lined"), {}),
    "shade": (bed(sun_hours=3), {}),
    "across": (bed(shape=rectangle(270, 120), heading_deg=90), {}),
    "southern": (bed(), SOUTHERN),
    "ring": (bed(shape=RING), {}),
    "tub": (tub(id="bed"), {}),
}


@pytest.fixture
def fitted(book, read):
    def fit(place, garden):
        plan = read(document(places=[place], **garden))
        return plan, starter_fits(Estimate(plan, book), "bed")

    return fit


def test_there_is_a_bed_for_each_wish_and_all_that_it_names_is_in_the_book(book):
    wanted = "salad roots climbers winter herbs children shallow pots"
    assert set(wanted.split()) <= book.starters.keys()
    for starter in book.starters.values():
        assert starter.support is None or starter.support in book.trainings
        for entry in starter.entries:
            assert {*entry.crops, *entry.then} <= book.crops.keys()
            assert entry.training is None or entry.training in book.trainings


@pytest.mark.parametrize("name", sorted(PLACES))
def test_whatever_is_taken_is_sound_and_grows(name, book, fitted):
    place, garden = PLACES[name]
    plan, fits = fitted(place, garden)
    assert {fit.id for fit in fits} == book.starters.keys()
    for fit in (f for f in fits if f.edit is not None):
        after = apply_edit(plan, fit.edit)
        assert check_plan(after, book) == [], fit.id
        report = Estimate(after, book, "x").report
        assert [n.code for n in report.notes if n.level == "stop"] == [], fit.id
        assert len(report.plantings) == len(fit.parts)
        assert sum(r.harvest_kg.p50 for r in report.plantings) == pytest.approx(fit.harvest_kg)
        for one, other in itertools.combinations(report.plantings, 2):
            shared = set(one.cells) & set(other.cells)
            together = one.start_date < other.clear_date and other.start_date < one.clear_date
            assert not (shared and together), (fit.id, one.name, other.name)


def test_a_sunny_bed_takes_every_starter_nearly_whole(fitted):
    _, fits = fitted(*PLACES["bed"])
    assert all(fit.edit is not None and len(fit.left_out) <= 2 for fit in fits)


def test_a_low_bed_gets_short_roots_and_is_told_why_the_others_stay_out(fitted):
    _, fits = fitted(*PLACES["low"])
    roots = next(fit for fit in fits if fit.id == "roots")
    assert "short-rooted carrot" in {part.name for part in roots.parts}
    assert any(said(why).startswith("onion: needs") for why in roots.left_out)
    assert fits[0].id == "shallow"


def test_climbers_get_a_net_on_the_poleward_edge_in_either_hemisphere(book, fitted):
    for name, row in (("bed", 8), ("southern", 1)):
        plan, fits = fitted(*PLACES[name])
        climbers = next(fit for fit in fits if fit.id == "climbers")
        after = apply_edit(plan, climbers.edit)
        (support,) = after.places[0].supports
        assert support.system == "net"
        on_it = [planting for planting in after.plantings if planting.support == support.id]
        assert on_it
        assert {int(cell[1:]) for planting in on_it for cell in planting.cells} == {row}


def test_the_tall_ones_stand_poleward_of_the_low_ones(book, fitted):
    plan, fits = fitted(*PLACES["bed"])
    child = next(fit for fit in fits if fit.id == "children")
    after = apply_edit(plan, child.edit)
    rows = {
        planting.crop: max(int(cell[1:]) for cell in planting.cells) for planting in after.plantings
    }
    assert rows["sunflower"] == 8
    assert rows["radish"] < rows["pea-dwarf"] < rows["sunflower"]


def test_what_already_grows_is_left_alone(book, read):
    chard = planting("chard", "all", start="transplant", start_date="2027-04-20")
    plan = read(document({**chard, "id": "mine"}))
    for fit in starter_fits(Estimate(plan, book), "bed"):
        after = plan if fit.edit is None else apply_edit(plan, fit.edit)
        assert after.plantings[0] == plan.plantings[0]
        report = Estimate(after, book, "x").report
        assert [n.code for n in report.notes if n.level == "stop"] == []
