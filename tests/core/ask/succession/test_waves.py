"""Waves: one planting shared out into sowings that are picked one after the other."""

import itertools
from datetime import date

import pytest

from ample_rows.core.ask.succession.mixed_start import mixed_start
from ample_rows.core.ask.succession.waves import waves_of
from ample_rows.core.checks import require_sound
from ample_rows.core.edits import apply_edit
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.words.message import said
from tests.conftest import bed, block, document, planting
from tests.core.weather.test_warmth import THERMAL

SQUARES = block("A1", "C2")
RADISH = planting("radish", SQUARES, id="first", start_date="2027-03-15")


@pytest.fixture
def waves(read, book):
    def found(what=RADISH, count=3, every=14, **garden):
        return waves_of(Estimate(read(document(what, **garden)), book), what["id"], count, every)

    return found


def gaps(days):
    return [(b - a).days for a, b in itertools.pairwise(days)]


def test_squares_are_shared_out_and_none_is_lost(waves):
    found = waves(count=4).waves
    assert [len(wave.cells) for wave in found] == [2, 1, 1, 2]
    assert sorted(cell for wave in found for cell in wave.cells) == sorted(SQUARES)
    assert all(wave.plants and wave.kg > 0 for wave in found)


def test_by_the_calendar_sowings_are_as_far_apart_as_picks(waves):
    found = waves().waves
    assert gaps([wave.start_date for wave in found]) == [14, 14]
    assert gaps([wave.first_pick for wave in found]) == [14, 14]


def test_in_warmth_spring_sowings_stand_wider_than_the_picks_they_make(waves):
    found = waves(count=6, every=10, **THERMAL).waves
    assert all(abs(gap - 10) <= 1 for gap in gaps([wave.first_pick for wave in found]))
    sown = gaps([wave.start_date for wave in found])
    # As it warms a day's wait in spring is worth less and less of one at the pick.
    assert sown[0] > 10
    assert sown[0] > sown[-1] >= 10 or sown[0] > sown[2]
    late = waves(
        planting("lettuce", SQUARES, id="first", start_date="2027-07-20"), 4, 10, **THERMAL
    ).waves
    assert gaps([wave.start_date for wave in late])[-1] < 10


def test_taking_them_sows_each_on_its_day(waves, read, book):
    found = waves()
    plan = apply_edit(read(document(RADISH)), found.edit)
    require_sound(plan, book)
    assert [planting.id for planting in plan.plantings] == ["first", "first-2", "first-3"]
    assert [planting.start_date for planting in plan.plantings] == [
        wave.start_date for wave in found.waves
    ]
    assert [planting.cells for planting in plan.plantings] == [wave.cells for wave in found.waves]


def test_waves_too_late_to_be_picked_are_left_out_and_said(waves):
    beans = planting("dwarf-bean", SQUARES, id="first", start_date="2027-06-20")
    found = waves(beans, 5, 21)
    assert len(found.waves) < 5
    assert "too late to be picked" in said(found.words)
    assert all(wave.first_pick < date(2027, 10, 20) for wave in found.waves)


def test_the_whole_bed_can_be_shared_out(waves):
    found = waves(planting("radish", "all", id="first", start_date="2027-03-15"), 4)
    assert sum(len(wave.cells) for wave in found.waves) == 32


@pytest.mark.parametrize(
    ("what", "count", "text"),
    [
        (RADISH, 10_000, "6 squares make 2 to 6 waves"),
        (RADISH, 1, "6 squares make 2 to 6 waves"),
        (planting("radish", ("A1",), id="first"), 2, "one square is one"),
    ],
)
def test_more_waves_than_squares_are_refused(waves, what, count, text):
    with pytest.raises(PlanFaultsError) as error:
        waves(what, count)
    assert text in str(error.value.faults[0])


def test_a_row_along_a_support_is_not_shared_out(waves):
    net = bed(supports=[{"id": "net", "height_cm": 180, "system": "net"}])
    row = planting("pea", (), id="first", support="net")
    with pytest.raises(PlanFaultsError):
        waves(row, places=[net])


SALAD = planting("lettuce", SQUARES, id="salad", start_date="2027-04-20")


def test_plants_and_seed_of_one_day_spread_the_picking(read, book):
    plan = read(document(SALAD))
    found = mixed_start(Estimate(plan, book), "salad")
    plants, seed = found.waves
    assert plants.start_date == seed.start_date
    assert plants.first_pick < seed.first_pick
    assert sorted((*plants.cells, *seed.cells)) == sorted(SQUARES)
    after = apply_edit(plan, found.edit)
    require_sound(after, book)
    assert [(planting.start, len(planting.cells)) for planting in after.plantings] == [
        ("transplant", 3),
        ("sow", 3),
    ]


@pytest.mark.parametrize(
    ("what", "says"),
    [
        (planting("carrot", SQUARES, id="only-sown"), "not begun both"),
        (planting("lettuce", ("A1",), id="one"), "two squares and more"),
    ],
)
def test_what_has_no_mixed_start_says_why(read, book, what, says):
    with pytest.raises(PlanFaultsError, match=says):
        mixed_start(Estimate(read(document(what)), book), what["id"])
